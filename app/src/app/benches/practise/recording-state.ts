import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Clock } from '@joined-hands/core/performance';
import { barsToTap, stretchInRecording, tempoAlong, withTap } from '@joined-hands/core/practice';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';
import { PracticeStore } from '../../storage/practice-store';
import type { StoredRecording } from '../../storage/stored';
import { messageOf } from '../../ui/message';

/** A recording longer than this is no song, in minutes; larger than this it would fill the browser's store. */
const MOST_MINUTES = 20;
const MOST_BYTES = 60 * 1024 * 1024;
/** The piano is loaded when it first sounds; so long is it waited for, in milliseconds. */
const LONGEST_WAIT_MS = 8000;

/** What sounds: the recording alone, it and the arrangement in turn, or both at once. */
export type Sounding = 'recording' | 'in-turn' | 'together';

/** The pianist's own recording beside the arrangement: its bars tapped in, its parts looped, slowed with the pitch kept. */
@Injectable()
export class RecordingState {
  private readonly bench = inject(BenchState);
  private readonly playing = inject(Playing);
  private readonly store = inject(PracticeStore);

  readonly recording = signal<StoredRecording | null>(null);
  readonly problem = signal('');
  readonly isTapping = signal(false);
  readonly isPlaying = signal(false);
  /** Percent of the speed it was played at. */
  readonly percent = signal(100);
  readonly sounding = signal<Sounding>('recording');
  private audio: HTMLAudioElement | null = null;
  private url: string | null = null;
  private watch = 0;
  private loaded: string | null = null;

  constructor() {
    effect(() => {
      const song = this.bench.song();
      if (!song || this.loaded === song.id) return;
      this.loaded = song.id;
      untracked(() => void this.load(song.id));
    });
  }

  private async load(songId: string): Promise<void> {
    try {
      this.recording.set(await this.store.recordingOf(songId));
    } catch (error) {
      this.problem.set(`The recording kept here could not be read: ${messageOf(error)}.`);
    }
  }

  readonly tapped = computed(() => this.recording()?.bars.length ?? 0);
  readonly bars = computed(() => barsToTap(this.bench.arrangement()?.played.bars ?? []).length);
  /** Where the part on screen is in the recording; null until its bars are tapped. */
  readonly stretch = computed(() => {
    const [recording, arrangement, part] = [this.recording(), this.bench.arrangement(), this.bench.part()];
    if (!recording || !arrangement || !part) return null;
    return stretchInRecording(recording.bars, arrangement.played.bars, part);
  });

  /** Takes a file of the pianist's own; one that is too long, too large or no sound is refused in a sentence. */
  async choose(file: File): Promise<void> {
    const song = this.bench.song();
    if (!song) return;
    this.problem.set('');
    if (file.size > MOST_BYTES)
      return this.problem.set(
        `${file.name} is too large: at most 60 MB can be read. Save it as MP3 or cut it to the song.`,
      );
    const minutes = await lengthOf(file);
    if (minutes === null)
      return this.problem.set(
        `${file.name} cannot be played by this browser. Save it as MP3, WAV, M4A or OGG and choose it again.`,
      );
    if (minutes > MOST_MINUTES)
      return this.problem.set(
        `${file.name} lasts ${Math.round(minutes)} minutes: at most ${MOST_MINUTES} can be read. Cut it to the song.`,
      );
    this.stop();
    await this.keep({ songId: song.id, name: file.name, audio: file, bars: [] });
  }

  private async keep(recording: StoredRecording): Promise<void> {
    this.recording.set(recording);
    try {
      await this.store.keepRecording(recording);
    } catch (error) {
      this.problem.set(
        `The recording could not be stored: ${messageOf(error)}. It will be lost when you close this page.`,
      );
    }
  }

  async drop(): Promise<void> {
    const songId = this.recording()?.songId;
    this.stop();
    this.recording.set(null);
    if (songId)
      await this.store
        .dropRecording(songId)
        .catch((error: unknown) => this.problem.set(`${messageOf(error)}.`));
  }

  /** Plays from the beginning and takes a tap for every bar line. */
  async startTapping(): Promise<void> {
    const recording = this.recording();
    if (!recording) return;
    this.recording.set({ ...recording, bars: [] });
    this.isTapping.set(true);
    await this.play(0, Infinity, 100);
  }

  /** Now a bar begins. After the last one tapping is over. */
  tap(): void {
    const [recording, audio] = [this.recording(), this.audio];
    if (!recording || !audio || !this.isTapping()) return;
    const bars = withTap(recording.bars, audio.currentTime);
    this.recording.set({ ...recording, bars });
    if (bars.length >= this.bars()) this.endTapping();
  }

  endTapping(): void {
    const recording = this.recording();
    this.isTapping.set(false);
    this.stop();
    if (recording) void this.keep(recording);
  }

  /** The part on screen over and over: the recording, the arrangement in its time, or both. */
  async loop(): Promise<void> {
    const stretch = this.stretch();
    if (!stretch) return;
    const percent = this.percent();
    this.isPlaying.set(true);
    if (this.sounding() === 'together') await this.arrangementSounds(percent);
    if (!this.isPlaying()) return;
    await this.play(stretch.from, stretch.to, percent, () => {
      if (!this.isPlaying()) return;
      const again = (): void => {
        if (this.isPlaying()) void this.loop();
      };
      if (this.sounding() === 'in-turn') this.playArrangement(percent, again);
      else again();
    });
  }

  /** The arrangement as fast as the recording is there, from its first beat on. */
  private playArrangement(percent: number, whenDone?: () => void): void {
    const [stretch, part, arrangement] = [this.stretch(), this.bench.part(), this.bench.arrangement()];
    if (!stretch || !part || !arrangement) return;
    const clock = new Clock(arrangement.played.tempoMap, arrangement.song.feel);
    const own = clock.secondsAt(part.toTick) - clock.secondsAt(part.fromTick);
    const tempoPercent = tempoAlong(own, stretch, percent);
    const how = { stays: true, countsIn: false, tempoPercent };
    this.playing.playStretch(part.fromTick, part.toTick, whenDone ? { ...how, whenDone } : how);
  }

  /** Resolves when the arrangement begins to sound: its piano takes a moment that the recording must not be ahead. */
  private async arrangementSounds(percent: number): Promise<void> {
    this.playing.player.stop();
    this.playArrangement(percent);
    const from = performance.now();
    while (
      this.isPlaying() &&
      this.playing.player.tick() === null &&
      performance.now() - from < LONGEST_WAIT_MS
    )
      await new Promise((resolve) => requestAnimationFrame(resolve));
  }

  private async play(from: number, to: number, percent: number, whenDone?: () => void): Promise<void> {
    const recording = this.recording();
    if (!recording) return;
    this.quiet();
    this.url ??= URL.createObjectURL(recording.audio);
    const audio = (this.audio ??= new Audio(this.url));
    audio.preservesPitch = true;
    audio.playbackRate = percent / 100;
    audio.currentTime = from;
    this.isPlaying.set(true);
    try {
      await audio.play();
    } catch (error) {
      this.isPlaying.set(false);
      this.problem.set(`The recording could not be played: ${messageOf(error)}.`);
      return;
    }
    const look = (): void => {
      if (!audio.ended && audio.currentTime < to) {
        this.watch = requestAnimationFrame(look);
        return;
      }
      audio.pause();
      if (whenDone) whenDone();
      else if (this.isTapping()) this.endTapping();
      else this.stop();
    };
    this.watch = requestAnimationFrame(look);
  }

  private quiet(): void {
    if (!this.audio) return;
    cancelAnimationFrame(this.watch);
    this.audio.pause();
  }

  /** Nothing sounds, and the file is let go. */
  stop(): void {
    this.quiet();
    this.playing.player.stop();
    this.isPlaying.set(false);
    this.isTapping.set(false);
    if (this.url) URL.revokeObjectURL(this.url);
    this.url = null;
    this.audio = null;
  }
}

/** Minutes a file of sound lasts; null where the browser cannot play it. */
function lengthOf(file: File): Promise<number | null> {
  const url = URL.createObjectURL(file);
  const audio = new Audio();
  return new Promise<number | null>((resolve) => {
    audio.onloadedmetadata = () => resolve(Number.isFinite(audio.duration) ? audio.duration / 60 : null);
    audio.onerror = () => resolve(null);
    audio.src = url;
  }).finally(() => URL.revokeObjectURL(url));
}
