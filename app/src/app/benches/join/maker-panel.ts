import { barInWords } from '@joined-hands/core/sentences';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { figureToShow, MAKER_MEMBERS, MAKER_PLACES } from '@joined-hands/core/patterns';
import { typeset } from '@joined-hands/core/music';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { simulatedKeys } from '../../input/key-sources';
import { PlayOn } from '../../input/play-on';
import type { KeySource } from '../../input/recorder';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { ON_COMPUTER, ON_MIDI, onScreen, simulated } from '../../input/ways';
import { Choice } from '../../ui/choice';
import { GRIDS, MakerState } from './maker-state';
import { WordsPipe } from '../../ui/words.pipe';

/** How the steps of a beat are counted. */
const PLACES = { 2: ['', ' &'], 3: ['', ' trip', ' let'], 4: ['', ' e', ' &', ' a'] } as const;
const GRID_NAMES = { 2: 'Half beats', 3: 'Triplets', 4: 'Sixteenths' } as const;

/** An own pattern: marks on a grid of chord members, or played once over a chord and read. */
@Component({
  selector: 'jh-maker-panel',
  imports: [Choice, FormsModule, NzButtonComponent, NzInputModule, PlayOn, WordsPipe],
  template: `
    <section>
      <h3>Your own pattern</h3>
      <label class="name"
        >Name
        <input nz-input maxlength="60" [ngModel]="maker.name()" (ngModelChange)="maker.name.set($event)"
      /></label>
      <jh-choice
        name="maker-bars"
        label="Bars of the figure"
        [options]="lengths"
        [value]="maker.bars()"
        (chosen)="maker.chooseBars($event)"
      />
      <jh-choice
        name="maker-kind"
        label="What is kept of it"
        [mostInRow]="3"
        [options]="kinds"
        [value]="maker.base()"
        (chosen)="maker.chooseBase($event)"
      />
      @if (maker.isFixed()) {
        <p class="note">The same keys over every chord: play the line once below, or write it.</p>
        @if (maker.lineInWords().length > 0) {
          <ol class="line-keys" aria-label="The line as it is struck">
            @for (strike of maker.lineInWords(); track $index) {
              <li>{{ strike }}</li>
            }
          </ol>
        }
      }
      @if (!maker.isFixed()) {
        <jh-choice
          name="maker-grid"
          label="Steps of the grid"
          [mostInRow]="3"
          [options]="grids"
          [value]="maker.grid()"
          (chosen)="maker.grid.set($event)"
        />
      }
      @for (bar of maker.isFixed() ? [] : barsShown(); track bar) {
        <div class="wide-grid">
          <table
            class="members"
            [style.min-width.px]="26 + 26 * stepsIn(bar).length"
            [attr.aria-label]="
              'Bar ' +
              (bar + 1) +
              ' of the figure: rows are members of the chord, columns the steps of its beats'
            "
          >
            <tbody>
              @for (member of rows(); track member) {
                <tr>
                  <th scope="row">{{ member }}</th>
                  @for (step of stepsIn(bar); track step) {
                    <td [class.beat]="step % maker.grid() === 0">
                      <button
                        type="button"
                        [class.set]="maker.isSet(step, member)"
                        [attr.aria-pressed]="maker.isSet(step, member)"
                        [attr.aria-label]="cellLabel(step, member)"
                        (click)="maker.toggle(step, member)"
                      ></button>
                    </td>
                  }
                </tr>
              }
            </tbody>
          </table>
        </div>
      }
      @if (maker.base() === 'voicing') {
        <p class="note">
          1 is the lowest key of each chord as it lies, in whatever inversion, 2 the next above it; above its
          top they come again an octave up.
        </p>
      }
      @if (maker.base() === 'root') {
        <p class="note">
          1 is the root of each chord, 3 and 5 lie close above it, 8 is its octave. For 2, 4, 6, 9, 11 and 13
          a chord without its own takes the step of the key.
        </p>
      }
      @if (maker.isFiner()) {
        <p class="note">
          What you played is finer than the grid: a mark set or taken away draws it to the steps of the grid.
        </p>
      }
    </section>
    <section>
      <h3>{{ maker.isFixed() ? 'Play or write it once' : 'Or play or write it once' }}</h3>
      @if (maker.over(); as over) {
        @if (maker.isRecording()) {
          <p role="status">
            {{ maker.counted() }} · play it over {{ symbol(over.change.symbol) }}, after the count-in.
          </p>
          <p class="line"><button nz-button type="button" (click)="maker.stop()">Stop</button></p>
        } @else {
          <p class="note">
            Over {{ symbol(over.change.symbol) }}, after a bar of clicks{{
              maker.base() === 'root' ? '; its root first' : ''
            }}.
          </p>
          <jh-play-on [ways]="ways" (begun)="maker.playIn($event.keys)" />
          <label class="name"
            >Letters
            <input
              nz-input
              maxlength="400"
              placeholder="C3 G C+E G"
              [ngModel]="maker.letters()"
              (ngModelChange)="maker.letters.set($event)"
          /></label>
          <label class="name"
            >Counts
            <input
              nz-input
              maxlength="400"
              placeholder="1 1& 2 2&"
              [ngModel]="maker.counts()"
              (ngModelChange)="maker.counts.set($event)"
              (keydown.enter)="maker.typeIn()"
          /></label>
          <p class="line">
            <button nz-button type="button" [disabled]="!maker.letters().trim()" (click)="maker.typeIn()">
              Read it
            </button>
          </p>
        }
      } @else {
        <p class="note">This part has no chord to play it over.</p>
      }
      @if (maker.notice()) {
        <p class="problem" role="alert">{{ maker.notice() }}</p>
      }
    </section>
    <section aria-label="Tried on every chord of the song">
      @if (maker.pattern()) {
        @if (maker.exceptions(); as list) {
          @if (list.length === 0) {
            <p role="status">It fits every chord of the song.</p>
          } @else {
            <h3>Where it goes otherwise</h3>
            <ul>
              @for (item of list.slice(0, most); track $index) {
                <li>
                  <b>{{ barInWords(item.bar) }}</b> {{ item.says | words }}
                </li>
              }
            </ul>
            @if (list.length > most) {
              <p class="note">And {{ list.length - most }} more.</p>
            }
          }
        } @else {
          <p class="note" role="status">Trying it on every chord …</p>
        }
      }
      <p class="line">
        <button nz-button type="button" [disabled]="!maker.pattern()" (click)="maker.hear()">
          Hear it here
        </button>
        <button nz-button nzType="primary" type="button" [disabled]="!maker.pattern()" (click)="maker.keep()">
          Keep and play it
        </button>
        <button nz-button type="button" (click)="maker.clear()">Clear</button>
        <button nz-button type="button" (click)="maker.isOpen.set(false)">Leave</button>
      </p>
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './join.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MakerPanel {
  protected readonly maker = inject(MakerState);

  constructor() {
    // It opens in the place of a longer list, whose end was looked at.
    const panel = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterNextRender(() => panel.scrollIntoView({ block: 'start' }));
  }

  /** Rows of the grid, the bass at the bottom. */
  protected readonly rows = computed(() =>
    [...(this.maker.base() === 'voicing' ? MAKER_PLACES : MAKER_MEMBERS)].reverse(),
  );
  protected readonly most = 6;
  protected readonly barInWords = barInWords;
  protected readonly lengths = [
    { value: 1, label: 'One bar' },
    { value: 2, label: 'Two bars' },
  ] as const;
  protected readonly grids = GRIDS.map((value) => ({ value, label: GRID_NAMES[value] }));
  protected readonly kinds = [
    { value: 'root', label: 'Members' },
    { value: 'voicing', label: 'As it lies' },
    { value: 'keys', label: 'Fixed keys' },
  ] as const;
  protected readonly barsShown = computed(() => Array.from({ length: this.maker.bars() }, (_, i) => i));
  private readonly inBar = computed(() => Math.floor(this.maker.steps() / this.maker.bars()));

  protected stepsIn(bar: number): number[] {
    return Array.from({ length: this.inBar() }, (_, i) => bar * this.inBar() + i);
  }

  protected cellLabel(step: number, member: number): string {
    const perBeat = this.maker.grid();
    const beat = Math.floor((step % this.inBar()) / perBeat) + 1;
    const place = PLACES[perBeat][step % perBeat];
    return `${this.maker.base() === 'voicing' ? 'Key' : 'Member'} ${member} on ${beat}${place}${this.maker.bars() === 2 ? ` of bar ${Math.floor(step / this.inBar()) + 1}` : ''}`;
  }

  protected symbol(symbol: string): string {
    return typeset(symbol);
  }

  protected readonly ways = [
    onScreen(inject(ScreenKeyboard)),
    ON_COMPUTER,
    ON_MIDI,
    simulated(() => this.simulatedKeys()),
  ];

  /** Root, fifth, octave and fifth, as a person would play them. */
  private simulatedKeys(): KeySource {
    const over = this.maker.over();
    const tune = over ? figureToShow(over.chord, over.voicing.keys[0], this.maker.beats()) : [];
    return simulatedKeys(tune, this.maker.tempo(), 7, []);
  }
}
