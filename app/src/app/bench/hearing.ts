import { Injectable, inject } from '@angular/core';
import type { ArrangedChange, HandNote, MelodyNote, SongEdit } from '@joined-hands/core';
import { keysInPlace, midiOf, readSymbol } from '@joined-hands/core';
import { Store } from '@ngrx/store';
import { Piano } from '../sound/piano';
import { Player } from '../sound/player';
import { workbench } from '../state/reducer';

/** What is heard before it is taken: keys, lines, chords and remedies in their place. */
@Injectable()
export class Hearing {
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

  /** True when what a remedy does can be heard before it is taken. */
  can(edit: SongEdit): boolean {
    if (edit.kind === 'pin') return true;
    if (edit.kind !== 'change-written') return false;
    const read = readSymbol(edit.symbol);
    return 'chord' in read && read.chord !== null;
  }

  /** What a remedy would sound like in its place. */
  edit(edit: SongEdit): void {
    const changes = this.state().arrangement?.changes ?? [];
    if (edit.kind === 'pin') {
      const change = changes.find((c) => c.change.id === edit.pin.changeId);
      void this.keys([...edit.pin.keys, ...(change ? this.melodyOver(change.change.tick) : [])]);
    }
    if (edit.kind === 'change-written') {
      const change = changes.find((c) => c.change.writtenId === edit.id);
      if (change) this.chord(edit.symbol, change);
    }
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
      this.player.problem.set(
        `The piano could not be started: ${error instanceof Error ? error.message : String(error)}.`,
      );
    }
  }
}
