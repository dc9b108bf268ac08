import { theBar } from '@joined-hands/core/sentences';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { OtherFinger } from '@joined-hands/core/arrange';
import { nameOf, typeset } from '@joined-hands/core/music';
import { barAt, type Choices } from '@joined-hands/core/song';
import { fingerCostInWords } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { JoinState } from './join-state';

/** The fingers of a part, note by note: which it is, which it could be, and what that costs. */
@Component({
  selector: 'jh-fingers-panel',
  imports: [Choice, NzButtonComponent],
  template: `
    <section>
      <h2>Fingers</h2>
      <jh-choice
        name="finger-hand"
        label="Hand"
        [options]="hands"
        [value]="state.hand()"
        (chosen)="state.chooseHand($event)"
      />
      @if (state.note(); as note) {
        <p class="line-of-fingers" aria-label="The line with its fingers">
          @for (other of line(); track $index) {
            <button
              type="button"
              class="key"
              [class.picked]="other.isPicked"
              [class.pinned]="other.isPinned"
              [attr.aria-label]="other.told"
              (click)="state.pickNote(other.note)"
            >
              <span>{{ other.letter }}</span><b>{{ other.finger ?? '–' }}</b>
            </button>
          }
        </p>
        <h3>{{ title() }}</h3>
        @if (state.bench.part()?.settled) {
          <p class="note">This part is kept as learned: its fingers stay.</p>
        } @else {
          <ol class="ranked">
            @for (other of state.otherFingers(); track other.finger) {
              <li [class.heard]="other.finger === note.finger">
                <div class="hear">
                  <b>Finger {{ other.finger }}</b
                  ><small>{{ told(other) }}</small>
                </div>
                @if (other.finger === state.pinnedFinger()) {
                  <button nz-button nzSize="small" type="button" (click)="state.releaseFinger()">
                    Let go
                  </button>
                } @else {
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    [attr.aria-label]="'Pin finger ' + other.finger"
                    (click)="state.pinFinger(other.finger)"
                  >
                    Pin
                  </button>
                }
              </li>
            } @empty {
              <li class="note">Trying every finger …</li>
            }
          </ol>
        }
        <p class="note">
          ← → go from key to key, ↑ ↓ to the other hand, 1 to 5 pin a finger, Delete lets it go.
        </p>
      } @else {
        <p>This hand plays nothing in this part.</p>
      }
    </section>
    <section>
      <h3 id="thumb-title">The thumb in single notes</h3>
      <jh-choice
        name="thumb"
        labelledBy="thumb-title"
        [mostInRow]="1"
        [options]="thumbs"
        [value]="state.bench.part()?.choices?.thumb ?? 'usual'"
        (chosen)="state.choose({ thumb: $event })"
      />
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './join.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FingersPanel {
  protected readonly state = inject(JoinState);
  protected readonly hands: readonly ChoiceOption<'left' | 'right'>[] = [
    { value: 'left', label: 'Left' },
    { value: 'right', label: 'Right' },
  ];
  protected readonly thumbs: readonly ChoiceOption<NonNullable<Choices['thumb']>>[] = [
    { value: 'usual', label: 'As is usual' },
    { value: 'off-black', label: 'Off black keys' },
    { value: 'on-black', label: 'On black keys as on white' },
  ];
  /** The bar of the key picked and the strikes round it, each with its finger. */
  protected readonly line = computed(() => {
    const [note, arrangement] = [this.state.note(), this.state.bench.arrangement()];
    if (!note || !arrangement) return [];
    const bar = barAt(arrangement.played.bars, note.tick);
    return this.state
      .notes()
      .filter(({ tick }) => tick >= bar.tick && tick < bar.tick + bar.length)
      .map((other) => ({
        note: other,
        letter: typeset(nameOf(other.pitch)),
        finger: other.finger,
        isPicked: other === note,
        isPinned: other === note && this.state.pinnedFinger() !== null,
        told: `${typeset(nameOf(other.pitch))} with finger ${other.finger ?? 'none'}`,
      }));
  });
  protected readonly title = computed(() => {
    const [note, arrangement] = [this.state.note(), this.state.bench.arrangement()];
    if (!note || !arrangement) return '';
    const { number } = barAt(arrangement.played.bars, note.tick);
    return `${typeset(nameOf(note.pitch))} in ${theBar(number)}`;
  });

  protected told({ extra, others, finger }: OtherFinger): string {
    const isNow = finger === this.state.note()?.finger;
    if (isNow) return this.state.pinnedFinger() === null ? 'played now' : 'played now, pinned';
    return fingerCostInWords(extra, others);
  }
}
