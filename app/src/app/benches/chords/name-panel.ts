import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { nameKeys } from '@joined-hands/core/harmony';
import {
  asTyped,
  inEnglish,
  midiOf,
  nameOf,
  parsePitch,
  PitchNameError,
  spellInKey,
  typeset,
} from '@joined-hands/core/music';
import type { Pin } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { PlayOn } from '../../input/play-on';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { ON_COMPUTER, ON_MIDI } from '../../input/ways';
import { Menu } from '../../ui/menu';
import { ChordsState } from './chords-state';

const LOWEST_KEY = 21;
const HIGHEST_KEY = 108;
/** A hand has five fingers; two keys under one finger at most. */
const MOST_KEYS = 10;

/** Any keys: pressed, played or told in letters; what they are called, and given to a chord as they are. */
@Component({
  selector: 'jh-name-panel',
  imports: [Menu, NzButtonComponent, NzInputModule, PlayOn],
  template: `
    <section>
      <h2>Keys and their names</h2>
      <p class="note">Press keys on the piano below, or play them; a key pressed again is let go.</p>
      <jh-play-on [ways]="ways" [goesOn]="true" (struck)="toggle($event.midi)" />
      <input
        nz-input
        aria-label="The keys in letters"
        [placeholder]="example"
        [value]="letters()"
        (change)="readKeys($event)"
      />
      @if (problem(); as sentence) {
        <p class="problem" role="alert">{{ sentence }}</p>
      }
      <div class="line">
        <button nz-button nzSize="small" type="button" [disabled]="!state.change()" (click)="takeChord()">
          The chord selected
        </button>
        <button nz-button nzSize="small" type="button" [disabled]="held().length === 0" (click)="hear()">
          Hear
        </button>
        <button
          nz-button
          nzSize="small"
          type="button"
          [disabled]="held().length === 0"
          (click)="held.set([])"
        >
          Clear
        </button>
      </div>
      @if (state.change(); as change) {
        <div class="line">
          <button
            nz-button
            nzType="primary"
            type="button"
            [disabled]="held().length === 0"
            (click)="use('chord')"
          >
            Use these keys
          </button>
          @if (held().length > 0) {
            <jh-menu label="Use them for more">
              <button type="button" (click)="use('part')">
                Every {{ typeset(change.change.symbol) }} of this part
              </button>
              <button type="button" (click)="use('song')">
                Every {{ typeset(change.change.symbol) }} of the song
              </button>
            </jh-menu>
          }
        </div>
      }
      <ol class="ranked" aria-label="Names">
        @for (item of names(); track item.name; let first = $first) {
          <li [class.heard]="first">
            <div class="hear">
              <b>{{ typeset(item.name) }}</b>
              <small>{{ typeset(item.reason) }}</small>
            </div>
            @if (state.change()) {
              <button
                nz-button
                nzSize="small"
                type="button"
                [attr.aria-label]="'Write ' + typeset(item.name)"
                (click)="state.write(symbol(item.name))"
              >
                Write
              </button>
            }
          </li>
        }
      </ol>
      @if (held().length > 1 && names().length === 0) {
        <p>No usual chord has just these notes.</p>
      }
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './chords.less'],
  styles: `
    input {
      margin-bottom: var(--space-4);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NamePanel {
  protected readonly state = inject(ChordsState);
  private readonly screen = inject(ScreenKeyboard);
  protected readonly held = this.state.named;
  protected readonly letters = computed(() => {
    const key = this.state.key();
    return key
      ? this.held()
          .map((midi) => typeset(nameOf(spellInKey(midi, key))))
          .join(' ')
      : '';
  });
  protected readonly names = computed(() => {
    const key = this.state.key();
    return key && this.held().length > 1 ? nameKeys(this.held(), key) : [];
  });

  constructor() {
    this.screen.pressed.pipe(takeUntilDestroyed()).subscribe((midi) => this.toggle(midi));
  }

  protected readonly ways = [ON_COMPUTER, ON_MIDI];

  protected toggle(midi: number): void {
    const held = this.held();
    this.held.set(
      held.includes(midi) ? held.filter((k) => k !== midi) : [...held, midi].sort((a, b) => a - b),
    );
  }

  protected readonly example = `${asTyped('A2')} ${asTyped('C#3')} ${asTyped('D3')} …`;
  protected readonly problem = signal('');

  /** "A2 C#3 D3": each key by its letter and octave. */
  protected readKeys(event: Event): void {
    const words = (event.target as HTMLInputElement).value.split(/[\s+,]+/).filter(Boolean);
    try {
      const keys = words.map((word) => midiOf(parsePitch(inEnglish(word))));
      const beyond = keys.findIndex((key) => key < LOWEST_KEY || key > HIGHEST_KEY);
      this.problem.set(beyond < 0 ? '' : `No piano has the key ${words[beyond]}.`);
      if (beyond < 0) this.held.set([...new Set(keys)].sort((a, b) => a - b).slice(0, MOST_KEYS));
    } catch (error) {
      if (!(error instanceof PitchNameError)) throw error;
      this.problem.set(`“${error.text}” is no key: write its letter and its octave, like ${asTyped('C#3')}.`);
    }
  }

  /** The keys as they are, for the chord selected, or for every chord written like it in the part or the song. */
  protected use(scope: 'chord' | 'part' | 'song'): void {
    const [song, change, keys] = [this.state.bench.song(), this.state.change(), [...this.held()]];
    if (!song || !change || keys.length === 0) return;
    const { symbol, id } = change.change;
    const ids = {
      chord: [id],
      part: this.state.bench
        .changesInPart()
        .flatMap(({ change: own }) => (own.symbol === symbol ? [own.id] : [])),
      song: song.changes.flatMap((own) => (own.symbol === symbol ? [own.id] : [])),
    }[scope];
    const pins = ids.map((changeId): { kind: 'pin'; pin: Pin } => ({
      kind: 'pin',
      pin: { changeId, keys, fingers: null },
    }));
    this.state.bench.edit({ kind: 'together', what: `keys of ${typeset(symbol)}`, edits: pins });
  }

  protected takeChord(): void {
    this.held.set(this.state.change()?.voicing.keys ?? []);
  }

  protected hear(): void {
    void this.state.bench.hearing.keys(this.held());
  }

  /** "Em6" of "Em6, third inversion". */
  protected symbol(name: string): string {
    return name.split(',')[0];
  }

  protected readonly typeset = typeset;
}
