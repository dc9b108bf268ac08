import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { nameKeys } from '@joined-hands/core/harmony';
import { nameOf, spellInKey, typeset } from '@joined-hands/core/music';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { PlayOn } from '../../input/play-on';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { ON_COMPUTER, ON_MIDI } from '../../input/ways';
import { ChordsState } from './chords-state';

/** Names any set of keys: pressed on the keyboard of the screen, or those of the chord selected. */
@Component({
  selector: 'jh-name-panel',
  imports: [NzButtonComponent, PlayOn],
  template: `
    <section>
      <h2>What is it called?</h2>
      <p class="note">Press keys on the piano below, or play them; a key pressed again is let go.</p>
      <jh-play-on [ways]="ways" [goesOn]="true" (struck)="toggle($event.midi)" />
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
