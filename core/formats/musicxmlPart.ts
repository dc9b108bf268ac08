import { cutTo, emptySong, type Song, type Touch } from '../song';
import { stored } from './stored';
import { imports } from '../sentences';
import {
  barTicks,
  canBeGrouped,
  hasUsualGroups,
  keyFromFifths,
  type Metre,
  metreName,
  midiOf,
  MODES,
  TICKS_PER_QUARTER,
} from '../music';
import { AS_WRITTEN, soundingClass, soundingPitch, soundingSymbol, transpositionOf } from './transposition';
import { beamedGroups } from './beamedGroups';
import { FileError, shortened } from './fileError';
import { filledTicks, isSplitAfter } from './musicxmlBars';
import { readHarmony } from './musicxmlChords';
import { anchored, fingerOf, metreOfLength, metronomeOf, readVerses, touchOf } from './musicxmlPieces';
import { signsOf } from './musicxmlSigns';
import type { BarSigns } from './repeats';
import type { ReadPart, ScoreNote } from './score';
import { child, childrenOf, childText, type Element } from './xmlTree';

/** A single note longer than this many quarters is a broken file. */
const LONGEST_QUARTERS = 1000;

/** The beginning of the beam that joins eighths. */
function isFirstBeam(beam: Element): boolean {
  return (beam.attributes['number'] ?? '1') === '1' && beam.text.trim() === 'begin';
}

/** Walks through the bars of one part, keeping the cursor and the maps. */
export class PartReader {
  private divisions = 1;
  /** What the bar before left over for this one, where a bar is split at a repeat or a double bar line. */
  private leftOver: number | null = null;
  private start = 0;
  private barNumber = 0;
  /** The bar by its name in the file, and as a place in it. */
  private named = '';
  private place = '';
  private cursor = 0;
  private furthest = 0;
  private lastOnset = 0;
  private readonly pedals: { tick: number; length: number }[] = [];
  private pedalDown: number | null = null;
  private chordTouch: { touch?: Touch } = {};
  private pickup = 0;
  private bars = 0;
  private isModeLeftOut = false;
  private signs: BarSigns[] = [];
  /** Where beams begin. */
  private readonly beamed: number[] = [];
  private transposition = AS_WRITTEN;
  private readonly keys: Song['keyMap'][number][] = [];
  private readonly metres: Song['metreMap'][number][] = [];
  private readonly tempi: Song['tempoMap'][number][] = [];
  private readonly notes: ScoreNote[] = [];
  private readonly chords: { tick: number; symbol: string }[] = [];
  private readonly sections: { tick: number; name: string }[] = [];
  private readonly imported: Song['imported'][number][] = [];

  /** `metre` is in force until the part gives one. */
  constructor(
    private readonly name: string,
    private metre: Metre,
  ) {}

  read(measure: Element, index: number, next: Element | null): void {
    const implicit = measure.attributes['implicit'] === 'yes';
    this.barNumber = index === 0 && implicit ? 0 : this.bars + 1;
    this.named = (measure.attributes['number'] ?? String(this.barNumber)).slice(0, 20);
    this.place = `bar ${this.named}`;
    this.cursor = this.furthest = this.start;
    for (const element of measure.children) this.readElement(element);
    const barsBefore = this.bars;
    this.endBar(
      index,
      implicit,
      measure.children.some((c) => c.name === 'note' || c.name === 'forward'),
      isSplitAfter(measure, next) ? next && filledTicks(next, this.divisions).ticks : null,
      next === null,
    );
    this.signs.push({
      number: this.bars > barsBefore ? this.bars : 0,
      ...signsOf(measure, this.openEnding()),
    });
  }

  private readElement(element: Element): void {
    switch (element.name) {
      case 'attributes':
        return this.readAttributes(element);
      case 'note':
        return this.readNote(element);
      case 'backup':
        return this.move(-this.duration(element));
      case 'forward':
        return this.move(this.duration(element));
      case 'harmony':
        return this.readHarmony(element);
      case 'direction':
        return this.readDirection(element);
      case 'sound':
        return this.readTempo(element.attributes['tempo']);
      default:
        return undefined;
    }
  }

  private readAttributes(element: Element): void {
    const divisions = childText(element, 'divisions');
    if (divisions !== undefined) {
      this.divisions = Number(divisions);
      if (!(this.divisions > 0 && this.divisions < 1e6))
        this.fail(`The divisions "${divisions}" are impossible`);
    }
    const transpose = child(element, 'transpose');
    if (transpose) {
      const read = transpositionOf(transpose);
      this.transposition = read ?? this.fail('The transposition of the instrument is impossible');
    }
    const key = child(element, 'key');
    if (key) this.readKey(key);
    const time = child(element, 'time');
    if (time) this.readMetre(time);
  }

  private readKey(key: Element): void {
    const fifths = Number(childText(key, 'fifths') ?? 0);
    if (!Number.isInteger(fifths) || Math.abs(fifths) > 7)
      this.fail(`A key of ${quoted(childText(key, 'fifths') ?? '?')} fifths is impossible`);
    const name = childText(key, 'mode')?.trim().toLowerCase();
    const mode = name === 'ionian' ? 'major' : MODES.find((known) => known === name);
    if (name === undefined || name === 'none') this.isModeLeftOut = true;
    else if (!mode)
      this.imported.push({
        tick: Math.round(this.cursor),
        said: stored(imports.modeUnknown(name.slice(0, 40), this.named)),
      });
    // A transposing instrument is written in a key of its own: what sounds is kept.
    const written = keyFromFifths(fifths, mode ?? 'major');
    const tonic = soundingClass(written.tonic, this.transposition);
    this.keys.push({ tick: Math.round(this.cursor), tonic, mode: written.mode });
  }

  /** The ending that the bar before left open, if any. */
  private openEnding(): readonly number[] | undefined {
    return this.signs.at(-1)?.endingStaysOpen ? this.signs.at(-1)?.endings : undefined;
  }

  private readMetre(time: Element): void {
    const groups = (childText(time, 'beats') ?? '').split('+').map(Number);
    const beats = groups.reduce((sum, size) => sum + size, 0);
    const unit = Number(childText(time, 'beat-type'));
    if (!Number.isInteger(beats) || beats < 1 || beats > 64 || ![1, 2, 4, 8, 16, 32].includes(unit)) {
      if (child(time, 'senza-misura')) return;
      this.fail(
        `The metre ${quoted(`${childText(time, 'beats') ?? '?'}/${childText(time, 'beat-type') ?? '?'}`)} is impossible`,
      );
    }
    // Bars before the first sign were read in the metre that was taken for them.
    if (this.metres.length === 0 && this.bars > 0) this.setMetre(0, this.metre);
    const metre = { numerator: beats, denominator: unit };
    const isGrouped =
      groups.length > 1 && canBeGrouped(metre, groups) && !hasUsualGroups({ ...metre, groups });
    this.metre = isGrouped ? { ...metre, groups } : metre;
    this.setMetre(this.start, this.metre);
  }

  private setMetre(tick: number, metre: Metre): void {
    const last = this.metres[this.metres.length - 1];
    const entry = { tick, ...metre } as Song['metreMap'][number];
    if (last?.tick === tick) this.metres[this.metres.length - 1] = entry;
    else this.metres.push(entry);
  }

  private readNote(element: Element): void {
    const grace = child(element, 'grace') !== undefined;
    const length = grace ? 0 : this.duration(element);
    const inChord = child(element, 'chord') !== undefined;
    const onset = Math.round(inChord ? this.lastOnset : this.cursor);
    if (!inChord) {
      this.lastOnset = this.cursor;
      this.move(length);
    }
    if (childrenOf(element, 'beam').some(isFirstBeam)) this.beamed.push(onset);
    const pitchElement = child(element, 'pitch');
    if (!pitchElement) return;
    const pitch =
      soundingPitch(pitchElement, this.transposition) ?? this.fail('A note without a possible pitch');
    const verses = readVerses(element);
    const ties = childrenOf(element, 'tie').map((tie) => tie.attributes['type']);
    this.notes.push({
      tick: onset,
      length: Math.round((inChord ? this.lastOnset : this.cursor - length) + length) - onset,
      pitch,
      midi: midiOf(pitch),
      tiedToNext: ties.includes('start'),
      isHeldOn: ties.includes('stop'),
      lyric: verses[0] ?? null,
      ...(verses.length > 1 ? { verses: verses.slice(1) } : {}),
      grace,
      ...fingerOf(element),
      ...this.touch(element, inChord),
      staff: childText(element, 'staff') ?? '1',
      voice: childText(element, 'voice') ?? '1',
    });
  }

  /** A sign at the first note of a chord is for all of it. */
  private touch(element: Element, inChord: boolean): { touch?: Touch } {
    const own = touchOf(element);
    if (!inChord) this.chordTouch = own;
    return own.touch || !inChord ? own : this.chordTouch;
  }

  private readHarmony(element: Element): void {
    const tick = this.placeOf(element);
    const { symbol, known, kind } = readHarmony(element);
    if (!known) {
      const read = symbol === 'N.C.' ? null : symbol;
      this.imported.push({ tick, said: stored(imports.chordKindUnknown(kind, this.named, read)) });
    }
    this.chords.push({ tick, symbol: soundingSymbol(symbol, this.transposition) });
  }

  private readDirection(element: Element): void {
    this.readTempo(child(element, 'sound')?.attributes['tempo'] ?? metronomeOf(element));
    for (const type of childrenOf(element, 'direction-type')) {
      const pedal = child(type, 'pedal');
      if (pedal) this.readPedal(pedal.attributes['type'] ?? '', this.placeOf(element));
      const name = childText(type, 'rehearsal')?.trim();
      // Numbers are those of parts: the division finds its own.
      if (name && !/^\d+$/.test(name))
        this.sections.push({ tick: Math.round(this.cursor), name: cutTo(name, 80) });
    }
  }

  /** Down at a start, up at a stop, both at a change. */
  private readPedal(type: string, tick: number): void {
    const isUp = ['stop', 'change', 'discontinue'].includes(type);
    if (isUp && this.pedalDown !== null && tick > this.pedalDown)
      this.pedals.push({ tick: this.pedalDown, length: tick - this.pedalDown });
    if (isUp) this.pedalDown = null;
    if (['start', 'change', 'resume'].includes(type)) this.pedalDown ??= tick;
  }

  /** Where a direction or a chord stands. */
  private placeOf(element: Element): number {
    const offset = (Number(childText(element, 'offset') ?? 0) * TICKS_PER_QUARTER) / this.divisions;
    return Math.max(0, Math.round(this.cursor + (Number.isFinite(offset) ? offset : 0)));
  }

  private readTempo(text: string | undefined): void {
    const tempo = Number(text);
    if (text === undefined || !(tempo >= 10 && tempo <= 400)) return;
    const tick = Math.round(this.cursor);
    const last = this.tempi[this.tempi.length - 1];
    if (last?.tick === tick) this.tempi.pop();
    this.tempi.push({ tick, quartersPerMinute: tempo });
  }

  private duration(element: Element): number {
    const text = childText(element, 'duration');
    const duration = Number(text);
    if (text === undefined || !(duration >= 0) || duration / this.divisions > LONGEST_QUARTERS) {
      this.fail(`The duration ${quoted(text ?? 'missing')} is impossible`);
    }
    return (duration * TICKS_PER_QUARTER) / this.divisions;
  }

  private move(ticks: number): void {
    this.cursor = Math.max(this.start, this.cursor + ticks);
    this.furthest = Math.max(this.furthest, this.cursor);
  }

  /** `completes`: what the next bar fills, where this one may be split from it. */
  private endBar(
    index: number,
    implicit: boolean,
    hasContent: boolean,
    completes: number | null,
    isLast: boolean,
  ): void {
    const leftOver = this.leftOver;
    this.leftOver = null;
    const whole = barTicks(this.metre);
    const filled = Math.round(this.furthest) - this.start;
    if (index === 0 && filled < whole && filled > 0 && hasContent) {
      this.pickup = filled;
      this.start += filled;
      return;
    }
    this.bars++;
    if (filled === whole || !hasContent || filled === 0) {
      this.start += whole;
      return;
    }
    // The last bar may complete the pick-up, and so may one before a repeat; a bar may be split in two there.
    const completesPickup = filled + this.pickup === whole && (isLast || completes !== null);
    if (isLast && completesPickup) {
      this.start += whole;
      return;
    }
    const isFirstHalf = completes !== null && filled + completes === whole;
    if (isFirstHalf) this.leftOver = whole - filled;
    const isRight = completesPickup || isFirstHalf || filled === leftOver;
    if (filled < whole && !implicit && !isRight) {
      this.start += whole;
      this.imported.push({
        tick: this.start - whole,
        said: stored(imports.barTooShort(this.named, (whole - filled) / TICKS_PER_QUARTER)),
      });
      return;
    }
    const own = metreOfLength(filled);
    if (this.metres.length === 0) this.setMetre(0, this.metre);
    this.setMetre(this.start, own);
    this.start += barTicks(own);
    this.setMetre(this.start, this.metre);
    if (!implicit && !isRight) {
      const by = Math.abs(filled - whole) / TICKS_PER_QUARTER;
      this.imported.push({
        tick: this.start - barTicks(own),
        said: stored(imports.barTooLong(this.named, by, metreName(own))),
      });
    }
  }

  /** A metre with its groups as its beams show them, where it does not say them itself. */
  private asBeamed(entry: Song['metreMap'][number], until: number): Song['metreMap'][number] {
    if (entry.groups) return entry;
    const line = entry.tick === 0 ? this.pickup : entry.tick;
    const here = this.beamed.filter((tick) => tick >= entry.tick && tick < until).map((tick) => tick - line);
    const groups = beamedGroups(entry, here);
    return groups ? { ...entry, groups } : entry;
  }

  private fail(what: string): never {
    throw new FileError(what, this.place, 'Mend it where the file was made and export it again.');
  }

  /** A pedal that is never lifted is down to the end. */
  private pedalled(): Pick<ReadPart, 'pedals'> {
    this.readPedal('stop', this.start);
    return this.pedals.length > 0 ? { pedals: this.pedals } : {};
  }

  /** Everything read. */
  toPart(): ReadPart {
    const base = emptySong('part', 'Part');
    const metres = this.metres.filter((m, i) => m.tick < this.start || i === 0);
    const metreMap = metres.map((entry, i) => this.asBeamed(entry, metres[i + 1]?.tick ?? Infinity));
    return {
      name: this.name,
      notes: this.notes,
      chords: this.chords,
      sections: this.sections,
      ...this.pedalled(),
      keyMap: anchored(this.keys, base.keyMap),
      mode: this.keys.length > 0 && this.isModeLeftOut ? 'left-out' : 'given',
      metreMap: anchored(metreMap, [{ tick: 0, ...this.metre } as Song['metreMap'][number]]),
      tempoMap: anchored(this.tempi, base.tempoMap),
      pickup: this.pickup,
      barCount: this.bars,
      end: this.start,
      signs: this.signs,
      imported: this.imported,
    };
  }
}

/** What a file says, as it stands. */
function quoted(text: string): string {
  return `"${shortened(text, 20)}"`;
}
