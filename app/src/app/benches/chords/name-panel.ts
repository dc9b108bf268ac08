import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { givenKeys, type KeysFor } from '@joined-hands/core/arrangement';
import { nameKeys } from '@joined-hands/core/harmony';
import { asTyped, nameOf, spellInKey, typeset } from '@joined-hands/core/music';
import { readKeys } from '@joined-hands/core/voicing';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { PlayOn } from '../../input/play-on';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { ON_COMPUTER, ON_MIDI } from '../../input/ways';
import { Menu } from '../../ui/menu';
import { ChordsState } from './chords-state';

/** Any keys: pressed, played or told in letters; what they are called, and given to a chord as they are. */
@Component({
  selector: 'jh-name-panel',
  imports: [Menu, NzButtonComponent, NzInputModule, PlayOn],
  template: `
    <section>
      <h2>Keys and their names</h2>
      <p class="note">
        Write keys in letters, press them on the piano or play them; a key pressed again is let go.
      </p>
      <jh-play-on [ways]="ways" [goesOn]="true" (struck)="toggle($event.midi)" />
      <input
        nz-input
        aria-label="The keys in letters"
        [placeholder]="example"
        [value]="letters()"
        (change)="readKeys($event)"
        (keydown.enter)="useTyped($event)"
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

  protected readKeys(event: Event): void {
    const read = readKeys((event.target as HTMLInputElement).value);
    this.problem.set('problem' in read ? read.problem : '');
    if ('keys' in read) this.held.set(read.keys);
  }

  /** Enter gives the chord selected the keys that are typed. */
  protected useTyped(event: Event): void {
    this.readKeys(event);
    if (this.problem() === '' && this.held().length > 0) this.use('chord');
  }

  protected use(scope: KeysFor): void {
    const [arrangement, change] = [this.state.bench.arrangement(), this.state.change()];
    if (arrangement && change) this.state.bench.edit(givenKeys(arrangement, change, this.held(), scope));
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
