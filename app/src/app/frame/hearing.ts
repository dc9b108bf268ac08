import { inject, Injectable } from '@angular/core';
import type { ArrangedChange, Arrangement } from '@joined-hands/core/arrangement';
import type { HandNote } from '@joined-hands/core/hands';
import { midiOf } from '@joined-hands/core/music';
import { barAt, type MelodyNote, type SongEdit } from '@joined-hands/core/song';
import { keysInPlace, readSymbol } from '@joined-hands/core/voicing';
import { Store } from '@ngrx/store';
import { Piano } from '../sound/piano';
import { Player } from '../sound/player';
import { workbench } from '../state/reducer';
import { Asker } from '../workers/asker';
import { messageOf } from '../ui/message';

interface Stretch {
  readonly fromTick: number;
  readonly toTick: number;
}

/** What is heard before it is taken: keys, lines, chords and remedies in their place. */
@Injectable()
export class Hearing {
  private readonly asker = inject(Asker);
  private readonly piano = inject(Piano);
  private readonly player = inject(Player);
  private readonly state = inject(Store).selectSignal(workbench.selectWorkbenchState);

  /** A chord by its symbol in the place of a change, below the melody that sounds with it. */
  chord(symbol: string, change: ArrangedChange): void {
    const read = readSymbol(symbol);
    if ('problem' in read || !read.chord) return;
    const over = this.melodyOver(change.change.tick);
    const ceiling = Math.min(128, ...over);
    const held = keysInPlace(read.chord, change.voicing.keys, ceiling, this.state().profile);
    void this.keys([...held, ...over]);
  }

  /** The bar a tick lies in, from its chord on, as it would be after an edit; nothing is altered. */
  async edit(edit: SongEdit, tick: number): Promise<void> {
    await this.tried(edit, ({ played, changes }) => {
      const bar = barAt(played.bars, tick);
      const struck = changes.filter((c) => c.change.tick <= tick).at(-1)?.change.tick ?? bar.tick;
      return { fromTick: Math.min(struck, bar.tick), toTick: bar.tick + bar.length };
    });
  }

  /** A stretch of the song as it would be after an edit; nothing is altered. */
  async stretch(edit: SongEdit, stretch: Stretch): Promise<void> {
    await this.tried(edit, () => stretch);
  }

  private async tried(edit: SongEdit, where: (tried: Arrangement) => Stretch): Promise<void> {
    const { song, profile, place } = this.state();
    if (!song) return;
    this.player.stop();
    const tried = await this.asker.heard(song, profile, { kind: 'trial', edit });
    const how = { tempoPercent: place.tempoPercent, hands: 'both', countsIn: false } as const;
    await this.player.play(tried, { ...where(tried), ...how }, false);
  }

  /** Keys of the melody sounding at a tick. */
  private melodyOver(tick: number): number[] {
    const sounding = (n: HandNote): boolean =>
      n.source === 'melody' && n.tick <= tick && n.tick + n.length > tick;
    return (this.state().arrangement?.right ?? []).filter(sounding).map((n) => n.midi);
  }

  /** Keys together; nothing while something plays. */
  async keys(keys: readonly number[]): Promise<void> {
    if (this.player.isPlaying()) return;
    await this.sound(() => this.piano.hear(keys));
  }

  /** A line of notes at the song's tempo. */
  async line(notes: readonly MelodyNote[]): Promise<void> {
    this.player.stop();
    const line = notes.map((n) => ({ tick: n.tick, length: n.length, midi: midiOf(n.pitch) }));
    const tempo = this.state().song?.tempoMap[0].quartersPerMinute ?? 96;
    await this.sound(() => this.piano.hearLine(line, tempo));
  }

  private async sound(make: () => Promise<void>): Promise<void> {
    try {
      await make();
    } catch (error) {
      this.player.problem.set(`The piano could not be started: ${messageOf(error)}.`);
    }
  }
}
