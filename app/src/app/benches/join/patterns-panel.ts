import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FULLER, LEVELS, MOVING } from '@joined-hands/core/levels';
import { VARY } from '@joined-hands/core/parts';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Choice } from '../../ui/choice';
import { GivesWay } from '../../ui/gives-way';
import { Offer } from '../../ui/offer';
import { JoinState } from './join-state';
import { MakerPanel } from './maker-panel';
import { MakerState } from './maker-state';
import { PatternChoices } from './pattern-choices';

/** What each hand could play in the place of blocks and single notes, each heard in place before it is taken. */
@Component({
  selector: 'jh-patterns-panel',
  imports: [Choice, GivesWay, MakerPanel, NgTemplateOutlet, NzButtonComponent, Offer],
  template: `
    @if (maker.isOpen()) {
      <jh-maker-panel />
    } @else {
      <section>
        <h2>Patterns</h2>
        <jh-choice
          name="pattern-scope"
          label="Choose for"
          [mostInRow]="3"
          [options]="state.scopes()"
          [value]="state.chosenFor()"
          (chosen)="state.chooseFor($event)"
        />
        @if (state.chosenFor() === 'time') {
          <h3 id="time-level-title">Level this time</h3>
          <jh-choice
            name="time-level"
            labelledBy="time-level-title"
            [options]="levels"
            [value]="state.bench.level()"
            (chosen)="state.choose({ level: $event })"
          />
        }
        @if (choices.isUnder()) {
          <p class="note">
            The chords lie under the tune here, and the left hand holds its bass or plays a pattern of your
            own. Taking another gives the chords back to the left hand.
          </p>
        } @else if (!choices.isMoving()) {
          <p class="note">
            Chords are held at level {{ state.bench.level() }}. Taking a pattern goes up to level
            {{ moving }}.
          </p>
        }
      </section>
      @if (choices.styles().near.length > 0) {
        <section aria-label="Styles">
          <h3>Style, by phrase</h3>
          <ng-container *ngTemplateOutlet="styleList; context: { $implicit: choices.styles().near }" />
          <details>
            <summary>{{ choices.styles().others.length }} other styles</summary>
            <ng-container *ngTemplateOutlet="styleList; context: { $implicit: choices.styles().others }" />
          </details>
        </section>
      }
      <ng-template #styleList let-rows>
        <ol class="ranked">
          @for (row of $any(rows); track row.id) {
            <li [class.heard]="row.id === choices.style()">
              <jh-offer
                [name]="row.name"
                [says]="row.says"
                [isPlayed]="row.id === choices.style()"
                (heard)="state.hear(choices.withStyle(row.id))"
                (taken)="state.choose(choices.withStyle(row.id))"
              />
            </li>
          }
        </ol>
      </ng-template>
      <section [attr.aria-label]="choices.isSung() ? 'Figures under a singer' : 'Left-hand patterns'">
        <h3>{{ choices.isSung() ? 'Under a singer' : 'One pattern throughout' }}</h3>
        <ol class="ranked">
          @for (row of choices.rows(); track row.id) {
            <li [class.heard]="row.id === choices.chosen()">
              <jh-offer
                [name]="row.name"
                [says]="row.says"
                [isPlayed]="row.id === choices.chosen()"
                (heard)="state.hear(choices.withLevel(row.id))"
                (taken)="state.choose(choices.withLevel(row.id))"
              >
                @if (row.id === vary) {
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    (click)="state.choose({ pattern: choices.nextTurn() })"
                  >
                    In another order
                  </button>
                }
              </jh-offer>
            </li>
          }
        </ol>
      </section>
      @if (!choices.isSung()) {
        <section aria-label="A fuller right hand">
          <h3>Right hand</h3>
          <ol class="ranked">
            @for (row of choices.fullerRows(); track row.id) {
              <li [class.heard]="row.id === choices.fuller()">
                <jh-offer
                  [name]="row.name"
                  [says]="row.says"
                  [isPlayed]="row.id === choices.fuller()"
                  (heard)="state.hear(choices.withFuller(row.id))"
                  (taken)="state.choose(choices.withFuller(row.id))"
                />
              </li>
            }
          </ol>
          @if (!choices.isFuller()) {
            <p class="note">Taking one goes up to level {{ fullerLevel }}.</p>
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
                    jhGivesWay
                    nzSize="small"
                    type="button"
                    [attr.aria-label]="'Copy ' + row.pattern.name + ' from ' + row.song"
                    (click)="maker.takeOver(row.pattern)"
                  >
                    Copy
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
                  jhGivesWay
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
  protected readonly choices = inject(PatternChoices);
  protected readonly vary = VARY;
  /** Patterns of the pianist's own, kept with the song. */
  protected readonly own = computed(() => this.state.bench.song()?.patterns ?? []);
  protected readonly levels = LEVELS.map(({ number, name }) => ({
    value: number,
    label: String(number),
    told: name,
  }));
  protected readonly moving = MOVING;
  protected readonly fullerLevel = FULLER;
}
