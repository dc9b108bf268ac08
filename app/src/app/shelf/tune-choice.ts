import { ChangeDetectionStrategy, Component, inject, type OnDestroy, signal } from '@angular/core';
import { BOTH_HANDS, type TuneCandidate, WITH_HARMONY } from '@joined-hands/core/formats';
import { DEFAULT_PROFILE } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NZ_MODAL_DATA, NzModalRef } from 'ng-zorro-antd/modal';
import { Player } from '../sound/player';
import { Asker } from '../workers/asker';

/** The first bars tell a melody from an accompaniment. */
const BARS_HEARD = 8;

/** A file with several lines: which one is the melody? Each can be heard before it is taken. */
@Component({
  selector: 'jh-tune-choice',
  imports: [NzButtonComponent],
  template: `
    <p>
      {{
        lines.length === 1 ? 'One line of this file could be' : lines.length + ' lines of this file could be'
      }}
      the melody; the rest is arranged anew. The likeliest stands first.
      @if (hasHarmony) {
        With the notes under it, the other keys of its hand stay with the tune.
      }
      @if (hasHands) {
        Or keep both hands: they are played exactly as the file has them, and parts, fingers and practice are
        made for them.
      }
    </p>
    <ol>
      @for (tune of tunes; track tune.id; let first = $first) {
        <li>
          <span class="what"
            ><b>{{ tune.label }}</b
            ><br />{{ tune.facts }}</span
          >
          <button nz-button type="button" [attr.aria-label]="'Hear ' + tune.label" (click)="hear(tune)">
            {{ heard() === tune.id && player.isPlaying() ? 'Stop' : 'Hear' }}
          </button>
          <button
            nz-button
            [nzType]="first ? 'primary' : 'default'"
            type="button"
            [attr.aria-label]="'Take ' + tune.label"
            (click)="modal.close(tune)"
          >
            Take
          </button>
        </li>
      }
    </ol>
    @if (player.problem(); as text) {
      <p role="alert">{{ text }}</p>
    }
  `,
  styles: `
    p {
      font-size: var(--type-body);
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: 1fr auto auto;
      gap: var(--space-5);
      align-items: center;
      padding: var(--space-5) 0;
      border-top: 1.5px solid var(--rule);
      font-size: var(--type-body);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TuneChoice implements OnDestroy {
  protected readonly tunes = inject<readonly TuneCandidate[]>(NZ_MODAL_DATA);
  protected readonly lines = this.tunes.filter(({ id }) => id !== BOTH_HANDS && id !== WITH_HARMONY);
  protected readonly hasHarmony = this.tunes.some(({ id }) => id === WITH_HARMONY);
  protected readonly hasHands = this.tunes.some(({ id }) => id === BOTH_HANDS);
  protected readonly modal = inject<NzModalRef<TuneChoice, TuneCandidate>>(NzModalRef);
  protected readonly player = inject(Player);
  private readonly asker = inject(Asker);
  protected readonly heard = signal<string | null>(null);

  protected async hear(tune: TuneCandidate): Promise<void> {
    const isAgain = this.heard() === tune.id && this.player.isPlaying();
    this.player.stop();
    if (isAgain) return;
    this.heard.set(tune.id);
    const arrangement = await this.asker.heard(tune.song, DEFAULT_PROFILE, { kind: 'preview' });
    const { bars, endTick } = arrangement.played;
    const toTick = bars[BARS_HEARD]?.tick ?? endTick;
    const request = { fromTick: 0, toTick, tempoPercent: 100, hands: 'both', countsIn: false } as const;
    await this.player.play(arrangement, request, false);
  }

  ngOnDestroy(): void {
    this.player.stop();
  }
}
