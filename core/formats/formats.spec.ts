import midiReader from '@tonejs/midi';
import fc from 'fast-check';
import { strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { symbolOf, metreName, TICKS_PER_QUARTER, midiOf, nameOf } from '../music';
import { applyEdit, migrateSong, DEFAULT_PROFILE, type Song, unfold } from '../song';
import { readMusicXml, runs, songs, textOf } from '../testing';
import { writeWalkthrough } from '../words';
import { FileError } from './fileError';
import { writeMidi } from './midiWrite';
import { writeMusicXml } from './musicxmlWrite';
import { valuesOf } from './noteValues';
import { openFile } from './openFile';
import { readProject, writeProject } from './project';
import { reportOf } from './report';

const { Midi } = midiReader;
const demos = fc.constantFrom(...DEMO_SONGS);
const anySong = fc.oneof({ weight: 1, arbitrary: demos }, { weight: 6, arbitrary: songs });

/** What MusicXML must bring back: notes with spelling and words, symbols, maps. */
function essence(song: Song): unknown {
  const played = unfold(song);
  // An octave chosen for a part is written where it is played.
  const { right } = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
  return {
    notes: right.map((n) => [n.tick, n.length, nameOf(n.pitch), n.lyric, n.lyric && n.syllabic]),
    changes: played.changes.map((c) => [c.tick, c.length, symbolOf(c.chord)]),
    keys: played.keyMap.filter((k, i) => i === 0 || played.keyMap[i - 1].tonic.letter !== k.tonic.letter),
    metres: song.metreMap.map((m) => [m.tick, m.numerator, m.denominator]),
    tempi: [...new Set(played.tempoMap.map((t) => t.quartersPerMinute))],
    bars: [song.pickup, played.bars.filter((bar) => bar.number > 0).length],
    sections: played.sections.map((s) => [s.tick, s.name]),
    title: song.title,
  };
}

describe('round trips', () => {
  it('project file: the identical song', () => {
    fc.assert(
      fc.property(anySong, (song) => {
        expect(readProject(writeProject({ song, profile: DEFAULT_PROFILE }))).toEqual({
          song,
          profile: DEFAULT_PROFILE,
        });
      }),
    );
  });

  it('MusicXML: the same notes, spelling, symbols, lyrics and maps', () => {
    fc.assert(
      fc.property(anySong, fc.constantFrom(1, 4, 5, 7), (song, level) => {
        // What is filled in becomes part of the tune of the file: see below.
        // A tune doubled above is the top of the file, and so its tune; an end that slows is tempi of the file.
        const choices = {
          level,
          fuller: 'under' as const,
          fills: { measure: 'none' as const, seed: 0 },
          ending: 'in-time' as const,
        };
        const arrangement = arrange(applyEdit(song, { kind: 'choose', choices }), DEFAULT_PROFILE, {
          withoutFingers: true,
        });
        fc.pre(arrangement.raisedParts.length === 0);
        expect(essence(readMusicXml(writeMusicXml(arrangement), song.id, ''))).toEqual(essence(song));
      }),
      { numRuns: runs(120) },
    );
  });

  it('MusicXML: fills of the right hand are notes of the file, at their ticks, spelled as they were', () => {
    for (const song of DEMO_SONGS) {
      const choices = { ...song.choices, level: 7, fills: { measure: 'some' as const, seed: 0 } };
      const a = arrange({ ...song, choices }, DEFAULT_PROFILE, { withoutFingers: true });
      const played = unfold(readMusicXml(writeMusicXml(a), song.id, ''));
      const back = new Set(played.melody.map((n) => `${n.tick} ${nameOf(n.pitch)} ${n.grace}`));
      const between = a.fills.filter(
        ({ taken, hand, kind }) => taken && hand === 'right' && !/under|above|octaves|inner/.test(kind),
      );
      for (const { notes } of between)
        for (const { tick, pitch, grace = false } of notes)
          expect([song.title, tick, nameOf(pitch), back.has(`${tick} ${nameOf(pitch)} ${grace}`)]).toEqual([
            song.title,
            tick,
            nameOf(pitch),
            true,
          ]);
      const alone = a.right.filter((n) => a.right.filter(({ tick }) => tick === n.tick).length === 1);
      for (const { tick, pitch, source, grace } of alone)
        if (source === 'melody') expect(back.has(`${tick} ${nameOf(pitch)} ${grace}`)).toBe(true);
    }
  });

  it('MusicXML: the left hand comes back as pins, and pinned it sounds the same', () => {
    for (const song of DEMO_SONGS) {
      const first = arrange(song, DEFAULT_PROFILE);
      const back = readMusicXml(writeMusicXml(first), song.id, '');
      expect(back.pins.map((p) => p.keys)).toEqual(first.changes.map((c) => [...c.voicing.keys]));
      const again = arrange(back, DEFAULT_PROFILE);
      expect(again.left.map((n) => [n.tick, n.length, n.midi])).toEqual(
        first.left.map((n) => [n.tick, n.length, n.midi]),
      );
    }
  });

  it('MIDI: the same keys at the same ticks, tempo, metre, key and pedal, read by another library', () => {
    fc.assert(
      fc.property(anySong, fc.constantFrom(2, 4, 7), (song, level) => {
        const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE, {
          withoutFingers: true,
        });
        const midi = new Midi(writeMidi(a));
        expect(midi.header.ppq).toBe(TICKS_PER_QUARTER);
        const keys = (notes: readonly { ticks: number; midi: number }[]): string[] =>
          notes.map((n) => `${n.ticks}:${n.midi}`).sort();
        expect(keys(midi.tracks[0].notes)).toEqual(
          // A grace note sounds an eighth of a beat before its note.
          keys(a.right.map((n) => ({ ticks: n.grace ? Math.max(0, n.tick - 120) : n.tick, midi: n.midi }))),
        );
        expect(keys(midi.tracks[1]?.notes ?? [])).toEqual(
          keys(a.left.map((n) => ({ ticks: n.tick, midi: n.midi }))),
        );
        expect(midi.header.tempos[0].bpm).toBeCloseTo(song.tempoMap[0].quartersPerMinute, 2);
        // A pick-up is a first bar of its own length.
        const own = midi.header.timeSignatures[song.pickup > 0 ? 1 : 0];
        expect([own.ticks, own.timeSignature.join('/')]).toEqual([song.pickup, metreName(song.metreMap[0])]);
        expect(midi.header.keySignatures[0].scale).toBe(song.keyMap[0].mode);
        const pedals = midi.tracks[1]?.controlChanges[64] ?? [];
        expect(pedals.filter((c) => c.value === 1)).toHaveLength(
          a.timeline.pedals.filter((p) => p.down).length,
        );
      }),
      { numRuns: runs(80) },
    );
  });
});

describe('note values', () => {
  it('add up to the length, one value where one is enough', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12000 }), (ticks) => {
        expect(valuesOf(ticks).reduce((sum, v) => sum + v.ticks, 0)).toBe(ticks);
      }),
    );
    expect(valuesOf(1440)).toMatchObject([{ type: 'quarter', dots: 1 }]);
    expect(valuesOf(320)).toMatchObject([{ type: 'eighth', triplet: true }]);
    expect(valuesOf(2400).map((v) => v.type)).toEqual(['half', 'eighth']);
  });
});

const lead = (measures: string): string =>
  `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>M</part-name></score-part></part-list><part id="P1">${measures}</part></score-partwise>`;
const attributes =
  '<attributes><divisions>2</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time></attributes>';
const note = (step: string, duration: number, extra = ''): string =>
  `<note><pitch><step>${step}</step><octave>4</octave></pitch><duration>${duration}</duration>${extra}</note>`;
const harmony = (root: string, kind: string, extra = ''): string =>
  `<harmony><root><root-step>${root}</root-step></root><kind>${kind}</kind>${extra}</harmony>`;

describe('reading MusicXML', () => {
  it('reads ties, dots, triplets, grace notes, chords in the part, degrees and bass', () => {
    const song = readMusicXml(
      lead(`<measure number="1">${attributes}${harmony('D', 'dominant', '<bass><bass-step>F</bass-step><bass-alter>1</bass-alter></bass><degree><degree-value>9</degree-value><degree-alter>-1</degree-alter><degree-type>add</degree-type></degree>')}
        <note><grace/><pitch><step>B</step><octave>4</octave></pitch></note>
        ${note('A', 3, '<dot/>')}${note('B', 1)}<note><chord/><pitch><step>G</step><octave>4</octave></pitch><duration>1</duration></note>
        ${note('C', 4, '<tie type="start"/>')}</measure>
        <measure number="2">${note('C', 4, '<tie type="stop"/>')}<attributes><divisions>3</divisions></attributes>${note('D', 2)}${note('E', 2)}${note('F', 2)}</measure>`),
      'id',
      'Title',
    );
    expect(song.changes.map((c) => [c.symbol, c.length])).toEqual([['D7b9/F#', 7680]]);
    expect(song.melody.map((n) => [n.tick, n.length, nameOf(n.pitch), n.grace])).toEqual([
      [0, 0, 'B4', true],
      [0, 1440, 'A4', false],
      [1440, 480, 'B4', false],
      [1920, 3840, 'C4', false],
      [5760, 640, 'D4', false],
      [6400, 640, 'E4', false],
      [7040, 640, 'F4', false],
    ]);
  });

  it('takes the top line of the first staff and keeps bars that do not add up, saying so', () => {
    const song = readMusicXml(
      lead(`<measure number="1">${attributes}${note('E', 8, '<voice>1</voice>')}<backup><duration>8</duration></backup>${note('C', 8, '<voice>2</voice>')}</measure>
        <measure number="2">${note('D', 6)}</measure><measure number="3">${note('E', 10)}</measure><measure number="4">${note('C', 8)}</measure>`),
      'id',
      'T',
    );
    expect(song.melody.map((n) => [n.tick, midiOf(n.pitch)])).toEqual([
      [0, 64],
      [3840, 62],
      [7680, 64],
      [12480, 60],
    ]);
    expect(song.imported.map((f) => textOf(f))).toEqual([
      'Bar 2 does not add up: it is too short by 1 quarter note. A rest fills it.',
      'Bar 3 does not add up: it is too long by 1 quarter note. It is kept as a bar of 5/4.',
      'The file has no chord symbols: the chords were read off its other notes. Look them over.',
    ]);
  });

  it('plays the root of an unknown chord kind and lists it', () => {
    const song = readMusicXml(
      lead(`<measure number="1">${attributes}${harmony('F', 'Tristan')}${note('A', 8)}</measure>`),
      'id',
      'T',
    );
    expect(song.changes[0].symbol).toBe('Fpedal');
    const { findings, left } = arrange(song, DEFAULT_PROFILE);
    expect(textOf(findings[0])).toBe(
      'The chord kind "Tristan" in bar 1 is not known; read as F (root alone).',
    );
    expect(left.map((n) => n.midi % 12)).toEqual([5]);
  });

  const refused: readonly (readonly [string, string, RegExp])[] = [
    ['not XML', 'just text', /This is not XML \(line 1\)/],
    ['empty', '  \n', /The file is empty/],
    [
      'truncated',
      lead(`<measure number="1">${note('A', 4)}</measure>`).slice(0, -40),
      /breaks off or is damaged.*line 1/,
    ],
    ['another XML', '<html><body/></html>', /not MusicXML: its root is <html>/],
    ['time-wise and empty', '<score-timewise/>', /no bars/],
    [
      'an entity bomb',
      '<?xml version="1.0"?>\n<!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><score-partwise>&b;</score-partwise>',
      /declares entities of its own.*line 2/,
    ],
    ['no bars', lead(''), /no bars/],
    [
      'no notes',
      lead('<measure number="1"><note><rest/><duration>4</duration></note></measure>'),
      /neither notes nor chord symbols/,
    ],
    [
      'negative duration',
      lead(`<measure number="1">${note('A', -4)}</measure>`),
      /duration "-4" is impossible \(bar 1\)/,
    ],
    [
      'no divisions',
      lead('<measure number="7"><attributes><divisions>0</divisions></attributes></measure>'),
      /divisions "0" are impossible \(bar 7\)/,
    ],
    [
      'impossible metre',
      lead(
        '<measure number="2"><attributes><time><beats>4</beats><beat-type>5</beat-type></time></attributes></measure>',
      ),
      /metre "4\/5" is impossible \(bar 2\)/,
    ],
    ['too large', 'x'.repeat(20 * 1024 * 1024 + 1), /too large: 20\.0 MB/],
  ];
  for (const [name, text, sentence] of refused) {
    it(`refuses a file that is ${name} with a sentence`, () => {
      expect(() => readMusicXml(text, 'id', 'T')).toThrow(FileError);
      expect(() => readMusicXml(text, 'id', 'T')).toThrow(sentence);
    });
  }

  it('refuses broken project files', () => {
    expect(() => readProject('{"format":')).toThrow(/damaged or cut short/);
    expect(() => readProject('{}')).toThrow(/not a project file/);
    expect(() =>
      readProject(writeProject({ song: { ...DEMO_SONGS[0], pickup: -1 }, profile: DEFAULT_PROFILE })),
    ).toThrow(/The pick-up/);
  });
});

describe('walkthrough and report', () => {
  it('tells a part the way a teacher would', () => {
    const text = writeWalkthrough(arrange(DEMO_SONGS[1], DEFAULT_PROFILE));
    expect(text).toContain('Start on the D above middle C with finger 1.');
    expect(text).toContain('up to G, up to A, up to B, down to G   (on 1, 2 &, 3, 4)   “tide is tur-ning”');
    expect(text).toContain('G with “tide” (G), on 1 of bar 1.');
    expect(text).toContain('Form: A A′ B A′.');
  });

  it('puts the hand chosen first, first', () => {
    const song = applyEdit(DEMO_SONGS[0], { kind: 'choose', choices: { firstHand: 'left' } });
    const text = writeWalkthrough(arrange(song, DEFAULT_PROFILE));
    expect(text.indexOf('Left hand')).toBeLessThan(text.indexOf('Right hand'));
  });

  it('reports every change with notes that spell the symbol and sum to the totals', () => {
    const a = arrange(DEMO_SONGS[0], DEFAULT_PROFILE);
    const report = reportOf(a, 12) as {
      changes: { step: { semitones: number } | null; notes: string[]; fingers: number[]; name: string }[];
      totals: Record<string, number>;
      form: string;
    };
    expect(report.form).toBe('A B C A B D');
    expect(report.changes).toHaveLength(24);
    expect(report.changes[3].name).toBe('E7, third inversion');
    expect(report.changes.reduce((sum, c) => sum + (c.step?.semitones ?? 0), 0)).toBe(
      report.totals['leftSemitones'],
    );
    for (const change of report.changes) expect(change.fingers).toHaveLength(change.notes.length);
    expect(report.totals['leftSemitones']).toBeLessThanOrEqual(1.1 * report.totals['optimumSemitones']);
  });
});

describe('a project file with what cannot be', () => {
  const raw = (change: object, profile: object = DEFAULT_PROFILE): string =>
    JSON.stringify({
      format: 'joined-hands-project',
      song: { ...DEMO_SONGS[0], changes: [...DEMO_SONGS[0].changes, change] },
      profile,
    });
  const strange = { id: 'c99', tick: 2880, length: 0, symbol: 'F#7', given: true, layout: null };

  it('opens without a change that lasts no time or begins before the start, and says so', () => {
    for (const [change, says] of [
      [strange, 'The chord F#7 was left out: it lasts no time.'],
      [{ ...strange, length: 960, tick: -960 }, 'The chord F#7 was left out: it begins before the song.'],
    ] as const) {
      const { song } = readProject(raw(change));
      expect(song.changes).toHaveLength(DEMO_SONGS[0].changes.length);
      expect(song.imported.map((i) => textOf(i)).join()).toContain(says);
    }
  });

  it('opens with the usual hands where its own are impossible, and says so', () => {
    const { song, profile } = readProject(
      raw({ ...strange, length: 960 }, { ...DEFAULT_PROFILE, leftReach: 5 }),
    );
    expect(profile).toEqual(DEFAULT_PROFILE);
    expect(textOf(song.imported.at(-1))).toContain(
      'The profile in the file could not be used (The reach of the left hand',
    );
  });

  it('keeps a symbol nobody can read as it is, the left hand resting there', () => {
    const { song } = readProject(raw({ ...strange, id: 'c98', length: 960, symbol: 'Hm' }));
    const a = arrange(song, DEFAULT_PROFILE);
    expect(textOf(a.findings.find((f) => f.kind === 'unclear'))).toContain('"Hm" is not a chord');
  });
});

describe('as many bars as a song may have', () => {
  const bar = (number: number, beats: number, isPickup = false): string =>
    `<measure number="${number}"${isPickup ? ' implicit="yes"' : ''}>` +
    '<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>' +
    `<note><pitch><step>C</step><octave>4</octave></pitch><duration>${beats}</duration></note></measure>`;
  const score = (bars: number, hasPickup: boolean): Uint8Array =>
    strToU8(
      '<score-partwise><part-list><score-part id="P1"><part-name>x</part-name></score-part></part-list><part id="P1">' +
        (hasPickup ? bar(0, 1, true) : '') +
        Array.from({ length: bars }, (_, i) => bar(i + 1, 4)).join('') +
        '</part></score-partwise>',
    );

  it.each([false, true])('are read, and one more is refused (with a pick-up: %s)', (hasPickup) => {
    const opened = openFile('long.musicxml', score(4000, hasPickup), 'id');
    const { song } = opened.kind === 'tunes' ? opened.tunes[0] : opened;
    expect([song.barCount, song.pickup]).toEqual([4000, hasPickup ? 960 : 0]);
    // What is opened can be stored and opened again.
    expect(migrateSong(JSON.parse(JSON.stringify(song)))).toEqual(song);
    expect(() => openFile('long.musicxml', score(4001, hasPickup), 'id')).toThrow(FileError);
  });
});
