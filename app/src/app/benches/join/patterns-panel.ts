import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { DEFAULT_FULLER, fullerFor } from '@joined-hands/core/fuller';
import { FULLER, MOVING } from '@joined-hands/core/ladder';
import { VARY } from '@joined-hands/core/parts';
import { AUTO, BLOCK } from '@joined-hands/core/patterns';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Choice } from '../../ui/choice';
import { Offer } from '../../ui/offer';
import { CHOICE_SCOPES, JoinState } from './join-state';
import { MakerPanel } from './maker-panel';
import { MakerState } from './maker-state';

const VARIED = {
  id: VARY,
  name: 'Varied',
  reason: 'kindred patterns take turns, part by part, livelier where the section is',
};

/** What each hand could play in the place of blocks and single notes, each heard in place before it is taken. */
@Component({
  selector: 'jh-patterns-panel',
  imports: [Choice, MakerPanel, NzButtonComponent, Offer],
  template: `
    @if (maker.isOpen()) {
      <jh-maker-panel />
    } @else {
      <section>
        <h2>Patterns</h2>
        <jh-choice
          name="pattern-scope"
          label="Choose for"
          [options]="scopes"
          [value]="state.forPart() ? 'part' : 'song'"
          (chosen)="state.forPart.set($event === 'part')"
        />
        @if (!isMoving()) {
          <p class="note">
            Chords are held on rung {{ state.bench.rung() }}. Taking a pattern goes up to rung {{ moving }}.
          </p>
        }
      </section>
      <section [attr.aria-label]="isSung() ? 'Figures under a singer' : 'Left-hand patterns'">
        <h3>{{ isSung() ? 'Under a singer' : 'Left hand' }}</h3>
        <ol class="ranked">
          @for (row of rows(); track row.id) {
            <li [class.heard]="row.id === chosen()">
              <jh-offer
                [name]="row.name"
                [says]="row.reason"
                [isPlayed]="row.id === chosen()"
                (heard)="state.hear(withRung(row.id))"
                (taken)="state.choose(withRung(row.id))"
              >
                @if (row.id === vary) {
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    (click)="state.choose({ pattern: nextTurn() })"
                  >
                    In another order
                  </button>
                }
              </jh-offer>
            </li>
          }
        </ol>
      </section>
      @if (!isSung()) {
        <section aria-label="A fuller right hand">
          <h3>Right hand, with strong notes</h3>
          <ol class="ranked">
            @for (row of fullerRows(); track row.id) {
              <li [class.heard]="row.id === fuller()">
                <jh-offer
                  [name]="row.name"
                  [isPlayed]="row.id === fuller()"
                  (heard)="state.hear(withFuller(row.id))"
                  (taken)="state.choose(withFuller(row.id))"
                />
              </li>
            }
          </ol>
          @if (!isFuller()) {
            <p class="note">Taking one goes up to rung {{ fullerRung }}.</p>
          }
        </section>
      }
      <section>
        <p class="line">
          <button nz-button type="button" (click)="maker.open()">Make your own pattern</button>
          <button nz-button type="button" (click)="maker.lookElsewhere()">From another song …</button>
        </p>
        @if (maker.elsewhere(); as found) {
          @if (found.length === 0) {
            <p class="note" role="status">No other song on the shelf has a pattern of your own.</p>
          } @else {
            <ul class="own" aria-label="Patterns of your other songs">
              @for (row of found; track row.song + row.pattern.id) {
                <li>
                  <span
                    >{{ row.pattern.name }} <small>{{ row.song }}</small></span
                  >
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    [attr.aria-label]="'Take over ' + row.pattern.name + ' from ' + row.song"
                    (click)="maker.takeOver(row.pattern)"
                  >
                    Take over
                  </button>
                </li>
              }
            </ul>
          }
        }
        @if (maker.problem()) {
          <p class="problem" role="alert">{{ maker.problem() }}</p>
        }
        @if (own().length > 0) {
          <ul class="own">
            @for (pattern of own(); track pattern.id) {
              <li>
                <span>{{ pattern.name }}</span>
                <button
                  nz-button
                  nzSize="small"
                  type="button"
                  [attr.aria-label]="'Change ' + pattern.name"
                  (click)="maker.open(pattern)"
                >
                  Change
                </button>
                <button
                  nz-button
                  nzSize="small"
                  type="button"
                  [attr.aria-label]="'Leave out ' + pattern.name"
                  (click)="maker.leaveOut(pattern.id)"
                >
                  Leave out
                </button>
              </li>
            }
          </ul>
        }
      </section>
    }
  `,
  styleUrls: ['../../ui/panel.less', './join.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PatternsPanel {
  protected readonly state = inject(JoinState);
  protected readonly maker = inject(MakerState);
  /** Patterns of the pianist's own, kept with the song. */
  protected readonly own = computed(() => this.state.bench.song()?.patterns ?? []);
  protected readonly moving = MOVING;
  protected readonly fullerRung = FULLER;
  protected readonly scopes = CHOICE_SCOPES;
  protected readonly isMoving = computed(() => this.state.bench.rungRow().isMoving);
  protected readonly isFuller = computed(() => this.state.bench.rungRow().rightHand === 'fuller');
  protected readonly isSung = computed(() => this.state.bench.part()?.choices.layout === 'singing');
  /** The pattern that is played; none while chords are held. */
  protected readonly chosen = computed(() => {
    const pattern = this.state.bench.part()?.choices.pattern ?? AUTO;
    if (!this.isMoving()) return null;
    return pattern.startsWith(VARY) ? VARY : pattern;
  });
  protected readonly vary = VARY;
  /** The same family beginning with another. */
  protected readonly nextTurn = computed(() => {
    const seed = Number(/^vary:(\d+)$/.exec(this.state.bench.part()?.choices.pattern ?? '')?.[1] ?? 0);
    return `${VARY}:${seed + 1}`;
  });
  protected readonly rows = computed(() => [
    this.isSung()
      ? { id: AUTO, name: 'Plain', reason: 'chords on the beat over the bass and its octave' }
      : { id: AUTO, name: 'By metre', reason: 'the usual one for the metre and the energy of each section' },
    ...this.state.proposals(),
    ...(this.isSung() ? [] : [VARIED]),
    { id: BLOCK.id, name: BLOCK.name, reason: 'each chord struck and held' },
  ]);
  protected readonly fullerRows = computed(() => fullerFor(this.state.bench.state().profile.rightReach));
  protected readonly fuller = computed(() =>
    this.isFuller() ? (this.state.bench.part()?.choices.fuller ?? DEFAULT_FULLER) : null,
  );

  protected withRung(pattern: string) {
    return this.isMoving() ? { pattern } : { pattern, rung: MOVING };
  }

  protected withFuller(fuller: ReturnType<PatternsPanel['fullerRows']>[number]['id']) {
    return this.isFuller() ? { fuller } : { fuller, rung: FULLER };
  }
}
