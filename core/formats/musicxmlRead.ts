import { keyFromFifths } from '../music/key';
import { type Metre, TICKS_PER_QUARTER, barTicks } from '../music/metre';
import { type Letter, midiOf } from '../music/pitch';
import { type MelodyNote, type Song, emptySong } from '../song/schema';
import { joinTies } from '../song/unfold';
import { FileError, refuseTooLarge } from './fileError';
import { readHarmony } from './musicxmlChords';
import { anchored, capital, inQuarters, metreOfLength, metronomeOf, readLyric } from './musicxmlPieces';
import { type Element, child, childText, childrenOf, parseXml } from './xmlTree';

const MOST_BARS = 4000;
/** A single note longer than this many quarters is a broken file. */
const LONGEST_QUARTERS = 1000;

/** Reads a MusicXML lead sheet or piano score (score-partwise; first part, first voice). Throws {@link FileError}. */
export function readMusicXml(text: string, songId: string, fallbackTitle: string): Song {
  refuseTooLarge(text.length);
  const root = parseXml(text);
  if (root.name === 'score-timewise') {
    throw new FileError(
      'Time-wise MusicXML is not read yet',
      '',
      'Export it part-wise from where it was made.',
    );
  }
  if (root.name !== 'score-partwise') {
    throw new FileError(
      `This is XML but not MusicXML: its root is <${root.name}>`,
      'line 1',
      'Choose a MusicXML file.',
    );
  }
  const part = child(root, 'part');
  const measures = part ? childrenOf(part, 'measure') : [];
  if (measures.length === 0)
    throw new FileError('The score has no bars', '', 'Choose a score with a melody or chord symbols.');
  if (measures.length > MOST_BARS) {
    throw new FileError(
      `The score has ${measures.length} bars; at most ${MOST_BARS} are read`,
      '',
      'Split it.',
    );
  }
  const reader = new PartReader();
  measures.forEach((measure, index) => reader.read(measure, index));
  return reader.toSong(songId, titleOf(root) ?? fallbackTitle);
}

function titleOf(root: Element): string | undefined {
  const title = childText(child(root, 'work'), 'work-title') ?? childText(root, 'movement-title');
  return title?.trim() || undefined;
}

interface ReadNote extends Omit<MelodyNote, 'id'> {
  readonly midi: number;
}

/** Walks through the bars of one part, keeping the cursor and the maps. */
class PartReader {
  private divisions = 1;
  private metre: Metre = { numerator: 4, denominator: 4 };
  private start = 0;
  private barNumber = 0;
  private place = '';
  private cursor = 0;
  private furthest = 0;
  private lastOnset = 0;
  private voice: string | null = null;
  private pickup = 0;
  private bars = 0;
  private hasRepeats = false;
  private readonly keys: Song['keyMap'][number][] = [];
  private readonly metres: Song['metreMap'][number][] = [];
  private readonly tempi: Song['tempoMap'][number][] = [];
  private readonly notes: ReadNote[] = [];
  private readonly lower: { tick: number; midi: number }[] = [];
  private readonly chords: { tick: number; symbol: string }[] = [];
  private readonly sections: { tick: number; name: string }[] = [];
  private readonly imported: Song['imported'][number][] = [];

  read(measure: Element, index: number): void {
    const implicit = measure.attributes['implicit'] === 'yes';
    this.barNumber = index === 0 && implicit ? 0 : this.bars + 1;
    this.place = `bar ${measure.attributes['number'] ?? this.barNumber}`;
    this.cursor = this.furthest = this.start;
    for (const element of measure.children) this.readElement(element);
    this.endBar(
      index,
      implicit,
      measure.children.some((c) => c.name === 'note' || c.name === 'forward'),
    );
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
      case 'barline':
        if (child(element, 'repeat') || child(element, 'ending')) this.hasRepeats = true;
        return undefined;
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
    const key = child(element, 'key');
    if (key) this.readKey(key);
    const time = child(element, 'time');
    if (time) this.readMetre(time);
  }

  private readKey(key: Element): void {
    const fifths = Number(childText(key, 'fifths') ?? 0);
    if (!Number.isInteger(fifths) || Math.abs(fifths) > 7)
      this.fail(`A key of ${childText(key, 'fifths')} fifths is impossible`);
    const mode = childText(key, 'mode') === 'minor' ? 'minor' : 'major';
    this.keys.push({ tick: Math.round(this.cursor), ...keyFromFifths(fifths, mode) });
  }

  private readMetre(time: Element): void {
    const beats = (childText(time, 'beats') ?? '').split('+').reduce((sum, n) => sum + Number(n), 0);
    const unit = Number(childText(time, 'beat-type'));
    if (!Number.isInteger(beats) || beats < 1 || beats > 64 || ![1, 2, 4, 8, 16, 32].includes(unit)) {
      if (child(time, 'senza-misura')) return;
      this.fail(`The metre ${childText(time, 'beats')}/${childText(time, 'beat-type')} is impossible`);
    }
    this.metre = { numerator: beats, denominator: unit };
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
    const pitchElement = child(element, 'pitch');
    if (!pitchElement) return;
    const staff = childText(element, 'staff') ?? '1';
    const voice = childText(element, 'voice') ?? '1';
    const pitch = this.readPitch(pitchElement);
    if (staff !== '1') {
      const continues = childrenOf(element, 'tie').some((tie) => tie.attributes['type'] === 'stop');
      if (!continues) this.lower.push({ tick: onset, midi: midiOf(pitch) });
      return;
    }
    this.voice ??= voice;
    if (voice !== this.voice) return;
    const note: ReadNote = {
      tick: onset,
      length: Math.round((inChord ? this.lastOnset : this.cursor - length) + length) - onset,
      pitch,
      midi: midiOf(pitch),
      tiedToNext: childrenOf(element, 'tie').some((tie) => tie.attributes['type'] === 'start'),
      lyric: readLyric(element),
      grace,
    };
    const last = this.notes[this.notes.length - 1];
    if (!inChord || !last || last.tick !== onset) this.notes.push(note);
    else if (note.midi > last.midi)
      this.notes[this.notes.length - 1] = { ...note, lyric: last.lyric ?? note.lyric };
  }

  private readPitch(element: Element): MelodyNote['pitch'] {
    const letter = childText(element, 'step')?.trim().toUpperCase() ?? '';
    const octave = Number(childText(element, 'octave'));
    const alter = Math.round(Number(childText(element, 'alter') ?? 0));
    if (
      !/^[A-G]$/.test(letter) ||
      !Number.isInteger(octave) ||
      octave < -1 ||
      octave > 9 ||
      !(Math.abs(alter) <= 2)
    ) {
      this.fail(`A note without a possible pitch`);
    }
    return { letter: letter as Letter, alter, octave };
  }

  private readHarmony(element: Element): void {
    const offset = (Number(childText(element, 'offset') ?? 0) * TICKS_PER_QUARTER) / this.divisions;
    const tick = Math.max(0, Math.round(this.cursor + (Number.isFinite(offset) ? offset : 0)));
    const { symbol, known, kind } = readHarmony(element);
    if (!known) {
      const played =
        symbol === 'N.C.' ? 'the left hand rests' : `read as ${symbol.replace('pedal', ' (root alone)')}`;
      this.imported.push({
        tick,
        text: `The chord kind "${kind}" in ${this.place} is not known; ${played}.`,
      });
    }
    this.chords.push({ tick, symbol });
  }

  private readDirection(element: Element): void {
    this.readTempo(child(element, 'sound')?.attributes['tempo'] ?? metronomeOf(element));
    for (const type of childrenOf(element, 'direction-type')) {
      const name = childText(type, 'rehearsal')?.trim();
      if (name) this.sections.push({ tick: Math.round(this.cursor), name: name.slice(0, 80) });
    }
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
      this.fail(`The duration "${text ?? 'missing'}" is impossible`);
    }
    return (duration * TICKS_PER_QUARTER) / this.divisions;
  }

  private move(ticks: number): void {
    this.cursor = Math.max(this.start, this.cursor + ticks);
    this.furthest = Math.max(this.furthest, this.cursor);
  }

  private endBar(index: number, implicit: boolean, hasContent: boolean): void {
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
    if (filled < whole && !implicit) {
      this.start += whole;
      this.imported.push({
        tick: this.start - whole,
        text: `${capital(this.place)} does not add up: it is too short by ${inQuarters(whole - filled)}. A rest fills it.`,
      });
      return;
    }
    const own = metreOfLength(filled);
    this.setMetre(this.start, own);
    this.start += barTicks(own);
    this.setMetre(this.start, this.metre);
    if (!implicit) {
      const by = inQuarters(Math.abs(filled - whole));
      this.imported.push({
        tick: this.start - barTicks(own),
        text: `${capital(this.place)} does not add up: it is too long by ${by}. It is kept as a bar of ${own.numerator}/${own.denominator}.`,
      });
    }
  }

  private fail(what: string): never {
    throw new FileError(what, this.place, 'Mend it where the file was made and export it again.');
  }

  toSong(songId: string, title: string): Song {
    if (this.notes.length === 0 && this.chords.length === 0) {
      throw new FileError(
        'The score has neither notes nor chord symbols',
        'first part',
        'Choose a score with a melody.',
      );
    }
    if (this.hasRepeats) {
      this.imported.push({
        tick: 0,
        text: 'The score has repeat signs; they are read straight through, each bar once.',
      });
    }
    const base = emptySong(songId, title.slice(0, 200) || 'Untitled');
    const end = this.start;
    const changes = this.changes(end);
    const metreMap = this.metres.filter((m, i) => m.tick < end || i === 0);
    return {
      ...base,
      keyMap: anchored(this.keys, base.keyMap),
      metreMap: anchored(metreMap, base.metreMap),
      tempoMap: anchored(this.tempi, base.tempoMap),
      pickup: this.pickup,
      barCount: Math.max(1, this.bars),
      melody: joinTies(this.notes.map(({ midi: _midi, ...note }, i) => ({ id: `n${i + 1}`, ...note }))),
      changes,
      sections: this.sections.map((section, i) => ({ id: `s${i + 1}`, energy: 3, ...section })),
      pins: this.pins(changes),
      imported: this.imported,
    };
  }

  private changes(end: number): Song['changes'] {
    const sorted = [...this.chords].sort((a, b) => a.tick - b.tick).filter((c) => c.tick < end);
    const kept = sorted.filter((c, i) => sorted[i + 1]?.tick !== c.tick);
    return kept.map((chord, i) => ({
      id: `c${i + 1}`,
      ...chord,
      length: (kept[i + 1]?.tick ?? end) - chord.tick,
      given: true,
      layout: null,
    }));
  }

  /** A lower staff comes back as pins: the keys struck together with a change. */
  private pins(changes: Song['changes']): Song['pins'] {
    const byTick = new Map<number, number[]>();
    for (const { tick, midi } of this.lower) byTick.set(tick, [...(byTick.get(tick) ?? []), midi]);
    return changes.flatMap((change) => {
      const keys = [...new Set(byTick.get(change.tick) ?? [])].sort((a, b) => a - b).slice(0, 10);
      return keys.length >= 2 && change.symbol !== 'N.C.'
        ? [{ changeId: change.id, keys, fingers: null }]
        : [];
    });
  }
}
