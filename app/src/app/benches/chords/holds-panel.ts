import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { chordsHolding } from '@joined-hands/core/harmony';
import { classNameOf, typeset } from '@joined-hands/core/music';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { ChordsState } from './chords-state';
import { Offer } from '../../ui/offer';
import { WordsPipe } from '../../ui/words.pipe';

const SHOWN_FIRST = 12;

/** All chords that hold the melody note of the chord selected, sorted by distance from the key. */
@Component({
  selector: 'jh-holds-panel',
  imports: [NzButtonComponent, Offer, WordsPipe],
  template: `
    @if (note(); as note) {
      <section>
        <h2>Chords that hold {{ letter() }}</h2>
        <p class="note">On every root, the nearest to the key first. Hear each under the held note.</p>
        <ol class="ranked">
          @for (item of shown(); track item.symbol) {
            <li>
              <jh-offer
                [name]="typeset(item.symbol)"
                [says]="(item.why | words) + (item.outside === 0 ? ', in the key' : outside(item.outside))"
                (heard)="state.hear(item.symbol)"
                (taken)="state.write(item.symbol)"
                [isStacked]="true"
              >
                <button
                  nz-button
                  nzSize="small"
                  class="more"
                  nzType="text"
                  type="button"
                  [attr.aria-label]="'Put ' + typeset(item.symbol) + ' aside'"
                  (click)="putAside(item.symbol)"
                >
                  Don’t suggest
                </button>
              </jh-offer>
            </li>
          }
        </ol>
        @if (holding().length > shown().length) {
          <button nz-button type="button" (click)="showsAll.set(true)">All {{ holding().length }}</button>
        }
        @if (state.dismissed().size > 0) {
          <button nz-button nzType="text" type="button" (click)="state.dismissed.set(none)">
            Bring back what you ruled out
          </button>
        }
      </section>
    } @else {
      <section>
        <h2>Chords that hold a note</h2>
        <p>
          Select a chord with a melody note over it: press it on the seam, or → for the first of this part.
        </p>
      </section>
    }
  `,
  styleUrls: ['../../ui/panel.less', './chords.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldsPanel {
  protected readonly state = inject(ChordsState);
  protected readonly showsAll = signal(false);
  protected readonly none: ReadonlySet<string> = new Set();
  protected readonly note = computed(() => this.state.change()?.meeting.note ?? null);
  protected readonly letter = computed(() => {
    const note = this.note();
    return note ? typeset(classNameOf(note.pitch)) : '';
  });
  protected readonly holding = computed(() => {
    const [note, key] = [this.note(), this.state.key()];
    if (!note || !key) return [];
    return chordsHolding(note.midi, key).filter(({ symbol }) => !this.state.dismissed().has(symbol));
  });
  protected readonly shown = computed(() =>
    this.showsAll() ? this.holding() : this.holding().slice(0, SHOWN_FIRST),
  );

  protected outside(count: number): string {
    return `, ${count} ${count === 1 ? 'note' : 'notes'} outside the key`;
  }

  protected putAside(symbol: string): void {
    this.state.dismissed.update((set) => new Set([...set, symbol]));
  }

  protected readonly typeset = typeset;
}
