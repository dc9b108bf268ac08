import { computed, inject, Injectable } from '@angular/core';
import type { Hand, HandNote } from '@joined-hands/core/hands';
import { classNameOf, midiOf, typeset } from '@joined-hands/core/music';
import { partIndexAt } from '@joined-hands/core/parts';
import type { HeldKey } from '../keyboard/keyboard';
import { Player } from '../sound/player';
import { BenchState } from './bench-state';

/** What the keyboard shows: the keys held now, and those the part on screen uses. */
@Injectable()
export class KeysShown {
  private readonly bench = inject(BenchState);
  private readonly player = inject(Player);

  /** Keys being named, else keys sounding, else the voicing tried, else the change selected. */
  readonly held = computed<readonly HeldKey[]>(() => {
    const named = this.bench.open()?.shownKeys();
    if (named) return named;
    const arrangement = this.bench.arrangement();
    if (!arrangement) return [];
    if (this.player.isPlaying()) {
      const sounding = this.player.sounding();
      return sounding.flatMap((key) => {
        const notes = key.hand === 'right' ? arrangement.right : arrangement.left;
        const note = notes.find((n) => n.tick === key.tick && n.midi === key.midi);
        return note ? [this.shown(note)] : [];
      });
    }
    const change = this.bench.change() ?? this.bench.changesInPart()[0];
    if (!change || this.bench.showsMelodyOnly())
      return arrangement.right
        .filter((n) => n.tick === (this.bench.open()?.pickedTick() ?? this.bench.part()?.fromTick))
        .map((note) => this.shown(note));
    const at = (n: HandNote): boolean => n.tick === change.change.tick && !n.grace;
    const right = arrangement.right.filter(at).map((note) => this.shown(note));
    const tried = this.bench.tried();
    if (tried !== null && this.bench.alternatives()[tried]) {
      const left = this.bench.alternatives()[tried].pitches.map((p) => ({
        midi: midiOf(p),
        hand: 'left' as Hand,
        letter: typeset(classNameOf(p)),
        finger: null,
      }));
      return [...right, ...left];
    }
    return [...right, ...arrangement.left.filter(at).map((note) => this.shown(note))];
  });

  /** Keys the part on screen uses, in MIDI numbers. */
  readonly used = computed(() => {
    const part = this.bench.part();
    const arrangement = this.bench.arrangement();
    if (!part || !arrangement) return [];
    return [...arrangement.right, ...arrangement.left]
      .filter((n) => n.tick >= part.fromTick && n.tick < part.toTick)
      .map((n) => n.midi);
  });

  /** A key as the keyboard shows it: the right hand an octave away where it is learned there. */
  private shown(note: HandNote): HeldKey {
    const parts = this.bench.arrangement()?.parts ?? [];
    const away = note.hand === 'right' ? (parts[partIndexAt(parts, note.tick)]?.choices.shownOctave ?? 0) : 0;
    return {
      midi: note.midi + 12 * away,
      hand: note.hand,
      letter: typeset(classNameOf(note.pitch)),
      finger: note.finger,
    };
  }
}
