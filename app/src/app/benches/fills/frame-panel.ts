import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { betweenFor, endingsFor, type FrameProposal, introsFor } from '@joined-hands/core/framing';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Playing } from '../../frame/playing';
import { Choice } from '../../ui/choice';
import { Offer } from '../../ui/offer';
import { FillsState } from './fills-state';

/** A beginning, an end, and ways back, from the song's own phrases. */
@Component({
  selector: 'jh-frame-panel',
  imports: [Choice, NzButtonModule, Offer],
  template: `
    @if (pieces().length > 0) {
      <section aria-label="What frames the song now">
        <h2>The frame</h2>
        <ul class="own">
          @for (piece of pieces(); track piece.id) {
            <li>
              <span>{{ piece.name }}</span>
              <button
                nz-button
                nzSize="small"
                type="button"
                [attr.aria-label]="'Take out ' + piece.name"
                (click)="takeOut(piece.id)"
              >
                Take out
              </button>
            </li>
          }
        </ul>
        <p class="note">These bars are edited like any other, and can be left out of what you take away.</p>
      </section>
    }
    <section>
      <h2>A beginning</h2>
      @if (hasIntro()) {
        <p class="note">The song has an intro; take it out to hear others.</p>
      } @else {
        <span class="visually-hidden" id="intro-length">Bars of the intro</span>
        <jh-choice
          name="intro-length"
          labelledBy="intro-length"
          [options]="lengths"
          [value]="bars()"
          (chosen)="bars.set($event)"
        />
        <ol class="ranked">
          @for (row of intros(); track row.variant) {
            <li>
              <jh-offer
                [isStacked]="true"
                [name]="capital(row.variant)"
                [says]="row.reason"
                [isPlayed]="false"
                (heard)="hear(row)"
                (taken)="take(row)"
              />
            </li>
          } @empty {
            <li class="note">{{ nothing() }}</li>
          }
        </ol>
      }
    </section>
    <section>
      <h2>An end</h2>
      @if (hasEnding()) {
        <p class="note">The song has an ending; take it out to hear others.</p>
      } @else {
        <ol class="ranked">
          @for (row of endings(); track row.variant) {
            <li>
              <jh-offer
                [isStacked]="true"
                [name]="capital(row.variant)"
                [says]="row.reason"
                [isPlayed]="false"
                (heard)="hear(row)"
                (taken)="take(row)"
              />
            </li>
          } @empty {
            <li class="note">{{ nothing() }}</li>
          }
        </ol>
      }
    </section>
    <section>
      <h2>Before this part</h2>
      <ol class="ranked">
        @for (row of between(); track row.piece.kind + row.variant) {
          <li>
            <jh-offer
              [isStacked]="true"
              [name]="row.piece.name + ': ' + row.variant"
              [says]="row.reason"
              [isPlayed]="false"
              (heard)="hear(row)"
              (taken)="take(row)"
            />
          </li>
        } @empty {
          <li class="note">{{ noneBetween() }}</li>
        }
      </ol>
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './fills.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FramePanel {
  protected readonly state = inject(FillsState);
  private readonly playing = inject(Playing);
  protected readonly bars = signal<2 | 4>(4);
  protected readonly lengths = [
    { value: 2, label: 'Two bars' },
    { value: 4, label: 'Four bars' },
  ] as const;
  private readonly arrangement = this.state.bench.arrangement;
  protected readonly pieces = computed(
    () => this.state.bench.song()?.sections.filter(({ frame }) => frame !== undefined) ?? [],
  );
  protected readonly hasIntro = computed(() => this.pieces().some(({ frame }) => frame?.kind === 'intro'));
  protected readonly hasEnding = computed(() => this.pieces().some(({ frame }) => frame?.kind === 'ending'));
  protected readonly intros = computed(() => {
    const arrangement = this.arrangement();
    return arrangement ? introsFor(arrangement, this.bars()) : [];
  });
  protected readonly endings = computed(() => {
    const arrangement = this.arrangement();
    return arrangement ? endingsFor(arrangement) : [];
  });
  protected readonly between = computed(() => {
    const arrangement = this.arrangement();
    return arrangement ? betweenFor(arrangement, this.state.bench.partIndex()) : [];
  });
  protected readonly nothing = computed(() =>
    this.state.bench.song()?.changes.length === 0
      ? 'A frame is made from the song’s chords: write some on the Chords bench first.'
      : 'The song is shorter than that.',
  );
  protected readonly noneBetween = computed(() => {
    if (this.state.bench.partIndex() === 0) return 'Go to a later part to put something before it.';
    if ((this.state.bench.song()?.playingOrder.length ?? 0) > 0)
      return 'Where bars are repeated nothing can be put between: only a song written straight through has room.';
    return 'Nothing can be put here.';
  });

  protected capital(text: string): string {
    return `${text[0].toUpperCase()}${text.slice(1)}`;
  }

  /** The stretch itself and a bar of what is beside it. */
  protected hear({ piece }: FrameProposal): void {
    const arrangement = this.arrangement();
    if (!arrangement) return;
    const bar = arrangement.played.bars.at(-1)?.length ?? 3840;
    const { endTick } = arrangement.played;
    const length = piece.bars * bar;
    const from =
      piece.before === null
        ? Math.max(0, endTick - bar)
        : Math.max(0, piece.before - (piece.before === 0 ? 0 : bar));
    const to = piece.before === null ? endTick + length : piece.before + length + bar;
    this.playing.hearStretch({ kind: 'frame-added', piece }, { fromTick: from, toTick: to });
  }

  protected take({ piece }: FrameProposal): void {
    this.state.bench.edit({ kind: 'frame-added', piece });
  }

  protected takeOut(sectionId: string): void {
    this.state.bench.edit({ kind: 'frame-removed', sectionId });
  }
}
