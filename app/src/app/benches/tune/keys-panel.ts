import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { KeyChoice } from '@joined-hands/core/effort';
import { KEYBOARDS, keyName, nameOf, spellInKey, typeset } from '@joined-hands/core/music';
import { applyEdit, type Profile } from '@joined-hands/core/song';
import { Store } from '@ngrx/store';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ProfileActions } from '../../state/actions';
import { Player } from '../../sound/player';
import { Asker } from '../../workers/asker';
import { TuneState } from './tune-state';
import { WordsPipe } from '../../ui/words.pipe';

/** All twelve keys, the easiest first; each is heard before it is taken. */
@Component({
  selector: 'jh-keys-panel',
  imports: [FormsModule, NzButtonComponent, NzSelectModule, WordsPipe],
  templateUrl: './keys-panel.html',
  styleUrl: '../../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeysPanel {
  private readonly tune = inject(TuneState);
  protected readonly bench = this.tune.bench;
  private readonly asker = inject(Asker);
  private readonly player = inject(Player);
  private readonly store = inject(Store);

  protected readonly choices = computed(() => this.tune.easierKeys() ?? []);
  /** Keys a voice may reach: white ones, as singers name their range. */
  protected readonly voiceKeys = Array.from({ length: KEYBOARDS[88].high - 40 }, (_, i) => 36 + i)
    .filter((midi) => [0, 2, 4, 5, 7, 9, 11].includes(midi % 12) && midi <= 84)
    .map((midi) => ({
      midi,
      name: typeset(nameOf(spellInKey(midi, { tonic: { letter: 'C', alter: 0 }, mode: 'major' }))),
    }));
  protected readonly singer = computed(() => this.bench.state().profile.singer);
  protected nameOf(choice: KeyChoice): string {
    return typeset(keyName(choice.key));
  }

  protected way({ semitones }: KeyChoice): string {
    if (semitones === 0) return 'as now';
    const count = Math.abs(semitones);
    return `${count} half step${count === 1 ? '' : 's'} ${semitones > 0 ? 'up' : 'down'}`;
  }

  protected take({ key, semitones }: KeyChoice): void {
    this.bench.edit({ kind: 'transposed', key, semitones });
  }

  protected async hear({ key, semitones }: KeyChoice): Promise<void> {
    const song = this.bench.song();
    if (!song) return;
    this.player.stop();
    const moved = applyEdit(song, { kind: 'transposed', key, semitones });
    const arrangement = await this.asker.heard(moved, this.bench.state().profile, { kind: 'preview' });
    const toTick = arrangement.parts[0].toTick;
    const request = { fromTick: 0, toTick, tempoPercent: 100, hands: 'both', countsIn: false } as const;
    await this.player.play(arrangement, request, false);
  }

  protected sing(range: Partial<NonNullable<Profile['singer']>> | null): void {
    const profile = this.bench.state().profile;
    const singer = range && { low: 55, high: 74, ...profile.singer, ...range };
    this.store.dispatch(ProfileActions.changed({ profile: { ...profile, singer } }));
  }
}
