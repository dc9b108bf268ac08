import { effect, inject, Injectable, signal, untracked } from '@angular/core';
import { partIndexAt } from '@joined-hands/core/parts';
import type { SongEdit } from '@joined-hands/core/song';
import { Player } from '../sound/player';
import type { Place } from '../storage/place';
import { BenchState } from './bench-state';
import { Hearing } from './hearing';

/** What to play: the part on screen, parts 1 to it, all, the pair it belongs to, or each part by itself in turn. */
export type Stretch = 'part' | 'to-part' | 'song' | 'pair' | 'each';

interface HowToPlay {
  /** Over and over. */
  readonly loops?: boolean;
  /** The part on screen stays, whatever sounds. */
  readonly stays?: boolean;
  readonly whenDone?: () => void;
  /** In the place of the tempo and the hands that are chosen. */
  readonly tempoPercent?: number;
  readonly hands?: Place['hands'];
  readonly countsIn?: boolean;
}

const SLOWEST = 40;
const FASTEST = 160;
const TEMPO_STEP = 5;

/** Hears stretches of the open song, at the tempo and with the hands chosen. */
@Injectable()
export class Playing {
  private readonly bench = inject(BenchState);
  private readonly hearing = inject(Hearing);
  readonly player = inject(Player);

  /** The part that sounds comes on screen. */
  private readonly follows = signal(true);

  constructor() {
    // While several parts play, the part that sounds is the one on screen.
    effect(() => {
      const [tick, arrangement] = [this.player.tick(), this.bench.arrangement()];
      if (tick === null || !arrangement) return;
      const index = partIndexAt(arrangement.parts, tick);
      if (untracked(this.follows) && index !== untracked(this.bench.partIndex))
        this.bench.move({ part: index, selected: null });
    });
  }

  changeTempo(by: 1 | -1): void {
    if (this.bench.isTempoSet()) return;
    const tempoPercent = Math.min(
      FASTEST,
      Math.max(SLOWEST, this.bench.place().tempoPercent + by * TEMPO_STEP),
    );
    this.bench.move({ tempoPercent });
    this.replay();
  }

  chooseHands(hands: Place['hands']): void {
    this.bench.move({ hands });
    this.replay();
  }

  private lastStretch: Stretch = 'part';

  private replay(): void {
    if (this.player.isPlaying()) this.play(this.lastStretch);
  }

  togglePlaying(): void {
    if (this.player.isPlaying()) this.player.stop();
    else this.play('part');
  }

  play(stretch: Stretch): void {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    if (!arrangement || !part) return;
    this.lastStretch = stretch;
    const { parts, played } = arrangement;
    if (stretch === 'each') return this.playEach(0);
    const pair = this.bench.partIndex() - (this.bench.partIndex() % 2);
    const fromTick = stretch === 'part' ? part.fromTick : stretch === 'pair' ? parts[pair].fromTick : 0;
    const toTick =
      stretch === 'song'
        ? played.endTick
        : stretch === 'pair'
          ? (parts[pair + 1] ?? parts[pair]).toTick
          : part.toTick;
    this.playStretch(fromTick, toTick, { loops: this.bench.place().loops });
  }

  /** From a tick to the end of the song. */
  playFrom(tick: number): void {
    this.playStretch(tick, this.bench.arrangement()?.played.endTick ?? tick);
  }

  /** A stretch of the song. */
  playStretch(fromTick: number, toTick: number, how: HowToPlay = {}): void {
    const arrangement = this.bench.arrangement();
    if (!arrangement || toTick <= fromTick) return;
    this.follows.set(!how.stays);
    const chosen = this.bench.place();
    const {
      tempoPercent = this.bench.tempoPercent(),
      hands = chosen.hands,
      countsIn = chosen.countsIn,
    } = how;
    const request = { fromTick, toTick, tempoPercent, hands, countsIn, clicks: chosen.clicks };
    void this.player.play(arrangement, request, how.loops ?? false, how.whenDone);
  }

  /** A remedy in its place, before it is taken; the part on screen stays. */
  hearEdit(edit: SongEdit, tick: number): void {
    this.follows.set(false);
    void this.hearing.edit(edit, tick);
  }

  /** The part on screen as it would be after an edit, before that is taken. */
  hearPartAfter(edit: SongEdit): void {
    const part = this.bench.part();
    if (!part) return;
    this.follows.set(false);
    void this.hearing.stretch(edit, part);
  }

  /** A stretch of the song as it would be after an edit; the part on screen stays. */
  hearStretch(edit: SongEdit, stretch: { readonly fromTick: number; readonly toTick: number }): void {
    this.follows.set(false);
    void this.hearing.stretch(edit, stretch);
  }

  /** Each part by itself, with its count-in, one after the other. */
  private playEach(index: number): void {
    const part = this.bench.arrangement()?.parts[index];
    if (!part) return;
    this.bench.move({ part: index, selected: null });
    this.playStretch(part.fromTick, part.toTick, { whenDone: () => this.playEach(index + 1) });
  }
}
