import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { betweenFor, endingsFor, type FrameProposal, introsFor, stretchOf } from '@joined-hands/core/framing';
import { frameTitle } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Playing } from '../../frame/playing';
import { Choice } from '../../ui/choice';
import { Offer } from '../../ui/offer';
import { FillsState } from './fills-state';
import { WordsPipe } from '../../ui/words.pipe';

/** A beginning, an end, and ways back, from the song's own phrases. */
@Component({
  selector: 'jh-frame-panel',
  imports: [Choice, NgTemplateOutlet, NzButtonComponent, Offer, WordsPipe],
  template: `
    @if (pieces().length > 0) {
      <section aria-label="Intro and ending of the song now">
        <h2>Intro and ending</h2>
        <ul class="own">
          @for (piece of pieces(); track piece.id) {
            <li>
              <span>{{ piece.name }}</span>
              <button
                nz-button
                nzSize="small"
                type="button"
                [attr.aria-label]="'Remove ' + piece.name"
                (click)="takeOut(piece.id)"
              >
                Remove
              </button>
            </li>
          }
        </ul>
        <p class="note">These bars are edited like any other, and can be left out of what you export.</p>
      </section>
    }
    <section>
      <h2>Intro</h2>
      @if (hasIntro()) {
        <p class="note">The song has an intro; remove it to hear others.</p>
      } @else {
        <jh-choice
          name="intro-length"
          label="Bars of the intro"
          [options]="lengths"
          [value]="bars()"
          (chosen)="bars.set($event)"
        />
        <ng-container
          [ngTemplateOutlet]="offers"
          [ngTemplateOutletContext]="{ $implicit: intros(), none: nothing() }"
        />
      }
    </section>
    <section>
      <h2>Ending</h2>
      @if (hasEnding()) {
        <p class="note">The song has an ending; remove it to hear others.</p>
      } @else {
        <ng-container
          [ngTemplateOutlet]="offers"
          [ngTemplateOutletContext]="{ $implicit: endings(), none: nothing() }"
        />
      }
    </section>
    <section>
      <h2>Before this part</h2>
      <ng-container
        [ngTemplateOutlet]="offers"
        [ngTemplateOutletContext]="{ $implicit: between(), none: noneBetween() }"
      />
    </section>
    <ng-template #offers let-rows let-none="none">
      <ol class="ranked">
        @for (row of asOffers(rows); track row.name) {
          <li>
            <jh-offer
              [isStacked]="true"
              [name]="row.name"
              [says]="row.proposal.reason | words"
              (heard)="hear(row.proposal)"
              (taken)="take(row.proposal)"
            />
          </li>
        } @empty {
          <li class="note">{{ none }}</li>
        }
      </ol>
    </ng-template>
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
      ? 'Intro and ending are made from the song’s chords: write some on the Chords bench first.'
      : 'The song is shorter than that.',
  );
  protected readonly noneBetween = computed(() => {
    if (this.state.bench.partIndex() === 0) return 'Go to a later part to put something before it.';
    if ((this.state.bench.song()?.playingOrder.length ?? 0) > 0)
      return 'Where bars are repeated, something is put in at a bar line: this part begins within a bar. Move its cut to a bar line, or remove the repeats on the Tune bench.';
    return 'Nothing can be put here.';
  });

  protected asOffers(
    proposals: readonly FrameProposal[],
  ): { readonly name: string; readonly proposal: FrameProposal }[] {
    return proposals.map((proposal) => ({ name: frameTitle(proposal), proposal }));
  }

  protected hear(proposal: FrameProposal): void {
    const arrangement = this.arrangement();
    if (!arrangement) return;
    const { piece } = proposal;
    this.playing.hearStretch({ kind: 'frame-added', piece }, stretchOf(proposal, arrangement.played));
  }

  protected take({ piece }: FrameProposal): void {
    this.state.bench.edit({ kind: 'frame-added', piece });
  }

  protected takeOut(sectionId: string): void {
    this.state.bench.edit({ kind: 'frame-removed', sectionId });
  }
}
