import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { nameKeys } from '@joined-hands/core/harmony';
import { classNameOf, nameOf, spellInKey, typeset } from '@joined-hands/core/music';
import type { KeyEvent } from '@joined-hands/core/takes';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { ComputerKeys, firstMidiKeys, NO_MIDI } from '../../input/key-sources';
import type { KeySource } from '../../input/recorder';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { Choice } from '../../ui/choice';
import { ChordsState } from './chords-state';

/** Names any set of keys: pressed on the keyboard of the screen, or those of the chord selected. */
@Component({
  selector: 'jh-name-panel',
  imports: [Choice, NzButtonComponent],
  template: `
    <section>
      <h2>What is it called?</h2>
      <p class="note">Press keys on the piano below, or play them; a key pressed again is let go.</p>
      <jh-choice
        name="name-source"
        label="Played on"
        [options]="sources"
        [value]="source()"
        (chosen)="listenTo($event)"
      />
      @if (problem()) {
        <p class="problem" role="alert">{{ problem() }}</p>
      }
      <p class="keys">{{ letters() || 'No key yet.' }}</p>
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
    .keys {
      font-size: var(--type-lead);
      font-weight: 600;
      color: var(--left);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NamePanel {
  protected readonly state = inject(ChordsState);
  private readonly screen = inject(ScreenKeyboard);
  protected readonly held = signal<readonly number[]>([]);
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
    // What was pressed before this panel opened is not meant.
    const before = this.screen.pressed();
    effect(() => {
      const pressed = this.screen.pressed();
      if (pressed && pressed !== before) untracked(() => this.toggle(pressed.midi));
    });
    effect(() => {
      const key = this.state.key();
      const letter = (midi: number): string => (key ? typeset(classNameOf(spellInKey(midi, key))) : '');
      const shown = this.held().map((midi) => ({
        midi,
        hand: 'left' as const,
        letter: letter(midi),
        finger: null,
      }));
      this.state.bench.shownKeys.set(shown.length > 0 ? shown : null);
    });
    inject(DestroyRef).onDestroy(() => {
      this.listening?.stop();
      this.state.bench.shownKeys.set(null);
    });
  }

  protected readonly sources = [
    { value: 'screen', label: 'Screen' },
    { value: 'computer', label: 'Computer' },
    { value: 'midi', label: 'MIDI' },
  ] as const;
  protected readonly source = signal<'screen' | 'computer' | 'midi'>('screen');
  protected readonly problem = signal('');
  private listening: KeySource | null = null;

  protected async listenTo(source: 'screen' | 'computer' | 'midi'): Promise<void> {
    this.listening?.stop();
    this.listening = null;
    this.source.set(source);
    this.problem.set('');
    if (source === 'computer') this.listen(new ComputerKeys());
    if (source === 'midi') {
      const keys = await firstMidiKeys();
      if (keys) this.listen(keys);
      else this.problem.set(`${NO_MIDI} Use the screen or the computer keys.`);
    }
  }

  private listen(keys: KeySource): void {
    this.listening = keys;
    const press = ({ midi, velocity }: KeyEvent): void => {
      if (velocity > 0) this.toggle(midi);
    };
    keys.start(press, () => performance.now() / 1000);
  }

  private toggle(midi: number): void {
    const held = this.held();
    this.held.set(
      held.includes(midi) ? held.filter((k) => k !== midi) : [...held, midi].sort((a, b) => a - b),
    );
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
