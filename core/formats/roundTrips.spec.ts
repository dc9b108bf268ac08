import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { LEVELS } from '../levels';
import { keyName, metreName, nameOf } from '../music';
import { DEFAULT_PROFILE, type Song, unfold } from '../song';
import { readMidiTunes } from './midiRead';
import { writeMidi } from './midiWrite';
import { readMusicXmlTunes } from './musicxmlRead';
import { writeMusicXml } from './musicxmlWrite';
import { readProject, writeProject } from './project';
import { type BarSigns, playingOrderOf } from './repeats';
import { readMusicXml } from '../testing';

/** What of a song is heard and read: notes as played, symbols, words, maps. */
function asPlayed(song: Song): Record<string, unknown> {
  const { played, right } = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
  return {
    title: song.title,
    notes: right.map((n) => `${n.tick} ${n.length} ${nameOf(n.pitch)}`),
    words: right.flatMap((n) => (n.lyric === null ? [] : [`${n.tick} ${n.lyric} ${n.syllabic}`])),
    symbols: played.changes.map((c) => `${c.tick} ${c.length} ${c.symbol}`),
    sections: played.sections.map((s) => `${s.tick} ${s.name}`),
    key: keyName(song.keyMap[0]),
    metre: metreName(song.metreMap[0]),
    tempo: song.tempoMap[0].quartersPerMinute,
    bars: played.bars.length,
    pickup: song.pickup,
  };
}

describe('every demo song comes back', () => {
  for (const song of DEMO_SONGS) {
    it(`${song.title}: through MusicXML with notes, spelling, symbols, words, maps, and keys as pins`, () => {
      const first = arrange(song, DEFAULT_PROFILE);
      const back = readMusicXml(writeMusicXml(first), 'id', '');
      expect(asPlayed(back)).toEqual(asPlayed(song));
      const byTick = new Map(back.changes.map((c) => [c.id, c.tick]));
      expect(back.pins.map((pin) => [byTick.get(pin.changeId), pin.keys])).toEqual(
        first.changes.map((c) => [c.change.tick, [...c.voicing.keys]]),
      );
      const again = arrange(back, DEFAULT_PROFILE);
      expect(again.left.map((n) => [n.tick, n.midi])).toEqual(first.left.map((n) => [n.tick, n.midi]));
    });

    it(`${song.title}: through a project file, the identical song`, () => {
      const profile = { ...DEFAULT_PROFILE, singer: { low: 55, high: 72 }, landmarks: 'black-keys' as const };
      expect(readProject(writeProject({ song, profile }))).toEqual({ song, profile });
    });
  }

  it('chords whose tune is yet to come, at every level: through MusicXML none of their keys becomes a tune', () => {
    for (const song of DEMO_SONGS)
      for (const { number: level } of LEVELS) {
        const bare = { ...song, melody: [], words: [], choices: { ...song.choices, level } };
        const first = arrange(bare, DEFAULT_PROFILE, { withoutFingers: true });
        const back = readMusicXml(writeMusicXml(first), 'id', '');
        expect([song.title, level, back.melody]).toEqual([song.title, level, []]);
        expect(asPlayed(back)['symbols']).toEqual(asPlayed(bare)['symbols']);
      }
  });

  it('a lower staff alone is offered as a tune after the chords; beside another part it is one of two', () => {
    const [song] = DEMO_SONGS;
    const text = writeMusicXml(arrange({ ...song, melody: [] }, DEFAULT_PROFILE));
    const labels = (xml: string): string[] => readMusicXmlTunes(xml, 'id', '').map(({ label }) => label);
    const [first, second, ...others] = labels(text);
    expect([first, others]).toEqual(['Chords without a melody', []]);
    expect(second).toContain('top line');
    // Without symbols there are no chords to begin with.
    expect(labels(text.replaceAll(/<harmony[^]*?<\/harmony>/g, ''))[0]).toContain('top line');
  });

  it('with its texts as they were written: any script, marks on letters, what looks like markup', () => {
    const text = fc.oneof(
      fc.constantFrom(
        'שלום‎',
        'نهر',
        'e\u0301a\u030a',
        'नदी',
        '👩‍👧',
        'Caf&#233;',
        '<b>&amp;',
        '川の歌',
        '=1+1',
      ),
      fc.string({ unit: 'grapheme', minLength: 1, maxLength: 12 }).filter((any) => !/[\s\p{C}]/u.test(any)),
    );
    const [lanterns] = DEMO_SONGS;
    fc.assert(
      fc.property(text, text, text, (title, word, name) => {
        const song: Song = {
          ...lanterns,
          title,
          melody: lanterns.melody.map((note, i) =>
            i === 0 ? { ...note, lyric: { text: word, syllabic: 'single' } } : note,
          ),
          sections: lanterns.sections.map((section, i) => (i === 0 ? { ...section, name } : section)),
        };
        const texts = (read: Song): unknown => [
          read.title,
          read.melody[0].lyric?.text,
          read.sections[0]?.name,
        ];
        const written = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
        expect(texts(readProject(writeProject({ song, profile: DEFAULT_PROFILE })).song)).toEqual(
          texts(song),
        );
        expect(texts(readMusicXml(writeMusicXml(written), 'id', ''))).toEqual(texts(song));
        expect(readMidiTunes(writeMidi(written), 'id', '')[0].song.title).toBe(title);
      }),
      { numRuns: 60 },
    );
  });

  it('a project of the version before opens with what it lacked', () => {
    const { words: _w, spareWords: _s, dismissed: _d, ...old } = DEMO_SONGS[0];
    const { shownOctave: _o, ...choices } = old.choices;
    const profile = { rightReach: 8, leftReach: 8, keyboard: 88 };
    const text = JSON.stringify({
      format: 'joined-hands-project',
      song: { ...old, choices, schemaVersion: 1 },
      profile,
    });
    const read = readProject(text);
    expect(read.song).toEqual(DEMO_SONGS[0]);
    expect(read.profile).toEqual(DEFAULT_PROFILE);
  });
});

describe('any signs', () => {
  const flags = fc.record(
    {
      repeatStarts: fc.constant(true),
      repeatEnds: fc.integer({ min: 2, max: 4 }),
      endings: fc.constantFrom([1], [2], [1, 2], [3]),
      segno: fc.constant(true),
      coda: fc.constant(true),
      toCoda: fc.constant(true),
      fine: fc.constant(true),
      daCapo: fc.constant(true),
      dalSegno: fc.constant(true),
    },
    { requiredKeys: [] },
  );

  it('give an order that ends, stays inside the score and unfolds', () => {
    fc.assert(
      fc.property(fc.array(flags, { minLength: 1, maxLength: 12 }), (bars) => {
        const signs: BarSigns[] = bars.map((sign, i) => ({ number: i + 1, ...sign }));
        const { playingOrder } = playingOrderOf(signs);
        for (const { fromBar, toBar } of playingOrder) {
          expect(fromBar).toBeGreaterThanOrEqual(1);
          expect(toBar).toBeLessThanOrEqual(bars.length);
          expect(fromBar).toBeLessThanOrEqual(toBar);
        }
        const song = { ...DEMO_SONGS[0], barCount: bars.length, playingOrder, changes: [], melody: [] };
        const count = playingOrder.reduce((sum, s) => sum + s.toBar - s.fromBar + 1, 0) || bars.length;
        expect(unfold(song).bars).toHaveLength(count);
      }),
      { numRuns: 500 },
    );
  });

  it('without jumps and endings play every bar, in order, repeats aside', () => {
    const plain = fc.record(
      { repeatStarts: fc.constant(true), repeatEnds: fc.integer({ min: 2, max: 3 }) },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(fc.array(plain, { minLength: 1, maxLength: 10 }), (bars) => {
        const { playingOrder } = playingOrderOf(bars.map((sign, i) => ({ number: i + 1, ...sign })));
        const all = playingOrder.flatMap(({ fromBar, toBar }) =>
          Array.from({ length: toBar - fromBar + 1 }, (_, i) => fromBar + i),
        );
        const played = all.length > 0 ? all : bars.map((_, i) => i + 1);
        expect([...new Set(played)]).toEqual(bars.map((_, i) => i + 1));
        expect(played[played.length - 1]).toBe(bars.length);
      }),
    );
  });
});
