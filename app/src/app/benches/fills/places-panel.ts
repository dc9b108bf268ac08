import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { FillSpot } from '@joined-hands/core/arrangement';
import type { Fill, NoteChange } from '@joined-hands/core/fills';
import { FILLS } from '@joined-hands/core/levels';
import { nameOf, typeset } from '@joined-hands/core/music';
import { inAllPlaces } from '@joined-hands/core/sentences';
import { fillInWords, fillPlaceInWords, fillTitle, spotInWords, spotTitle } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Offer } from '../../ui/offer';
import { FillsState } from './fills-state';

/** So many proposals are shown at first. */
const SHOWN = 6;

/** The places of the part with room; at one of them what fits there, ranked, each heard before it is taken. */
@Component({
  selector: 'jh-places-panel',
  imports: [NzButtonComponent, Offer],
  template: `
    @if (!state.isProposed()) {
      <section>
        <h2>Fills</h2>
        <p>Fills are what a player adds where the tune leaves room. They belong to level {{ fillsLevel }}.</p>
        <button nz-button nzType="primary" type="button" (click)="state.goUp()">
          Go up to level {{ fillsLevel }}
        </button>
      </section>
    } @else if (state.spot(); as spot) {
      <section aria-live="polite">
        <h2>{{ title(spot) }}</h2>
        <p>{{ words(spot) }}</p>
      </section>
      <ol class="ranked" aria-label="What fits here, the best first">
        @for (fill of shown(); track fill.id + fill.variant; let i = $index) {
          <li [class.heard]="fill.taken" [class.tried]="i === state.tried()">
            <jh-offer
              [isStacked]="true"
              [name]="name(fill)"
              [says]="fill.taken ? place(fill) : told(fill)"
              [isPlayed]="fill.taken"
              (heard)="hear(fill, i)"
              (taken)="state.take(fill)"
            >
              <button
                nz-button
                nzSize="small"
                type="button"
                [attr.aria-label]="'Leave out ' + name(fill)"
                (click)="state.leaveOut(fill)"
              >
                Leave out
              </button>
            </jh-offer>
            @if (fill.taken) {
              <div class="line notes" role="group" [attr.aria-label]="'Notes of ' + name(fill)">
                @for (note of fill.notes; track $index; let n = $index) {
                  <button
                    class="key"
                    type="button"
                    [class.picked]="state.noteAt() === n"
                    [attr.aria-pressed]="state.noteAt() === n"
                    (click)="state.noteAt.set(state.noteAt() === n ? null : n)"
                  >
                    {{ letter(note) }}
                  </button>
                }
              </div>
              @if (state.noteAt() !== null) {
                <p class="line">
                  @for (change of changes; track change.how) {
                    <button
                      nz-button
                      nzSize="small"
                      type="button"
                      (click)="state.changeNote(fill, state.noteAt() ?? 0, change.how)"
                    >
                      {{ change.label }}
                    </button>
                  }
                </p>
              }
              <p class="line">
                @if (state.likeIt(fill) > 1) {
                  <button nz-button nzSize="small" type="button" (click)="state.takeEverywhere(fill)">
                    {{ inAllPlaces(state.likeIt(fill)) }} like it
                  </button>
                }
                @if (state.passes(fill).length > 0) {
                  <button nz-button nzSize="small" type="button" (click)="state.takeThisTime(fill)">
                    This time only
                  </button>
                }
              </p>
            }
          </li>
        }
      </ol>
      @if (state.notice()) {
        <p class="problem" role="alert">{{ state.notice() }}</p>
      }
      @if (spot.fills.length > shown().length) {
        <p class="line">
          <button nz-button type="button" (click)="showsAll.set(true)">
            {{ spot.fills.length - shown().length }} more ways
          </button>
        </p>
      }
      <p class="note">↑ ↓ hear the next, Enter takes it. ← → go to the next place.</p>
    } @else {
      <section>
        <h2>Where there is room</h2>
        @if (state.spots().length === 0) {
          <p>
            No place of this part has room: the tune never rests or holds for two beats. A slower chord, or a
            longer note at the end of the part, would make some.
          </p>
        } @else {
          <ol class="spots">
            @for (spot of state.spots(); track spot.changeId) {
              <li>
                <button type="button" (click)="state.bench.select(spot.changeId)">
                  <b>{{ title(spot) }}</b>
                  <small>{{ words(spot) }}</small>
                  @for (fill of taken(spot); track fill.id) {
                    <span class="now">{{ name(fill) }}</span>
                  }
                </button>
              </li>
            }
          </ol>
          <p class="note">Press a place, or a chord on the seam; ← → go from place to place.</p>
        }
      </section>
    }
  `,
  styleUrls: ['../../ui/panel.less', './fills.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlacesPanel {
  protected readonly state = inject(FillsState);
  protected readonly fillsLevel = FILLS;
  protected readonly inAllPlaces = inAllPlaces;
  protected readonly showsAll = signal(false);
  protected readonly changes: readonly { readonly how: NoteChange; readonly label: string }[] = [
    { how: 'up', label: 'Up' },
    { how: 'down', label: 'Down' },
    { how: 'longer', label: 'Longer' },
    { how: 'shorter', label: 'Shorter' },
    { how: 'again', label: 'Once more' },
    { how: 'out', label: 'Leave out' },
  ];
  /** What is played first, then the best; the one looked at is always among them. */
  protected readonly shown = computed(() => {
    const fills = this.state.spot()?.fills ?? [];
    return this.showsAll() ? fills : fills.slice(0, Math.max(SHOWN, this.state.tried() + 1));
  });

  protected title(spot: FillSpot): string {
    return spotTitle(spot);
  }

  protected words(spot: FillSpot): string {
    return spotInWords(spot);
  }

  protected name(fill: Fill): string {
    return fillTitle(fill);
  }

  protected place(fill: Fill): string {
    return fillPlaceInWords(this.state.bench.arrangement()?.played.bars ?? [], fill);
  }

  protected told(fill: Fill): string {
    return `${fillInWords(fill)} ${this.state.effortOf(fill)}`;
  }

  protected taken({ fills }: FillSpot): readonly Fill[] {
    return fills.filter((fill) => fill.taken);
  }

  protected letter({ pitch }: Fill['notes'][number]): string {
    return typeset(nameOf(pitch));
  }

  protected hear(fill: Fill, at: number): void {
    this.state.tried.set(at);
    this.state.hear(fill);
  }
}
