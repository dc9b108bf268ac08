import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { applyEdit, DEFAULT_PROFILE } from '../song';
import { runs, songs, wholeBars } from '../testing';
import { readMusicXmlTunes } from './musicxmlRead';
import { writeMusicXml } from './musicxmlWrite';
import { voicesOf } from './voices';
import { child, childrenOf, childText, type Element, parseXml } from './xmlTree';

function measures(arrangement: Arrangement): Element[] {
  const part = child(parseXml(writeMusicXml(arrangement)), 'part');
  return part ? childrenOf(part, 'measure') : [];
}

const onLevel = fc.constantFrom(1, 2, 4, 5, 7);
const anySong = fc.oneof(fc.constantFrom(...DEMO_SONGS), songs);

describe('a written score', () => {
  it('writes triplets as three in the time of two, and nothing else so', () => {
    const song = wholeBars(['C5', 'D5'], ['C', 'G']);
    const melody = [0, 320, 640].map((tick, i) => ({ ...song.melody[0], id: `t${i}`, tick, length: 320 }));
    const rest = { ...song.melody[0], id: 'r', tick: 960, length: 2880 };
    const a = arrange({ ...song, melody: [...melody, rest, song.melody[1]] }, DEFAULT_PROFILE);
    const notes = measures(a).flatMap((measure) => childrenOf(measure, 'note'));
    const told = notes.flatMap((note) => {
      const of = child(note, 'time-modification');
      const pair = [childText(of, 'actual-notes'), childText(of, 'normal-notes')].join(':');
      return of ? [`${childText(note, 'duration')} ${childText(note, 'type')} ${pair}`] : [];
    });
    expect(told).toEqual(Array(3).fill('320 eighth 3:2'));
  });

  it('fills every bar of every voice exactly', () => {
    fc.assert(
      fc.property(anySong, onLevel, (song, level) => {
        const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE, {
          withoutFingers: true,
        });
        measures(a).forEach((measure, i) => {
          let at = 0;
          for (const element of measure.children) {
            const duration = Number(childText(element, 'duration') ?? 0);
            if (element.name === 'backup') {
              expect(at).toBe(a.played.bars[i].length);
              at -= duration;
            }
            if (element.name === 'note' && !child(element, 'chord')) at += duration;
          }
          expect(at).toBe(a.played.bars[i].length);
        });
      }),
      { numRuns: runs(80) },
    );
  });

  it('ends every tie it begins, on the same key', () => {
    fc.assert(
      fc.property(anySong, onLevel, (song, level) => {
        const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE, {
          withoutFingers: true,
        });
        const open = new Map<string, number>();
        for (const note of measures(a).flatMap((m) => childrenOf(m, 'note'))) {
          const pitch = child(note, 'pitch');
          if (!pitch) continue;
          const key = [
            childText(note, 'voice'),
            childText(pitch, 'step'),
            childText(pitch, 'alter'),
            childText(pitch, 'octave'),
          ].join();
          const types = childrenOf(note, 'tie').map((t) => t.attributes['type']);
          if (types.includes('stop')) {
            expect(open.get(key)).toBe(1);
            open.delete(key);
          }
          if (types.includes('start')) open.set(key, 1);
        }
        expect([...open.keys()]).toEqual([]);
      }),
      { numRuns: runs(60) },
    );
  });

  it('writes a chord symbol before the note it is struck with', () => {
    const [, first] = measures(arrange(DEMO_SONGS[1], DEFAULT_PROFILE));
    const names = first.children.map((c) => c.name);
    expect(names[names.indexOf('harmony') + 1]).toBe('note');
    const two = measures(arrange(DEMO_SONGS[1], DEFAULT_PROFILE))[7];
    expect(childrenOf(two, 'harmony').map((h) => childText(child(h, 'root'), 'root-step'))).toEqual([
      'A',
      'D',
    ]);
  });

  it('puts words, syllables and fingers where they belong', () => {
    const [pickup, first] = measures(arrange(DEMO_SONGS[1], DEFAULT_PROFILE));
    expect(pickup.attributes).toEqual({ number: '0', implicit: 'yes' });
    const sung = childrenOf(first, 'note').flatMap((n) => childrenOf(n, 'lyric'));
    expect(sung.map((l) => [childText(l, 'syllabic'), childText(l, 'text')])).toEqual([
      ['single', 'tide'],
      ['single', 'is'],
      ['begin', 'tur'],
      ['end', 'ning'],
    ]);
    const fingers = childrenOf(first, 'note').flatMap(
      (n) => childText(child(child(n, 'notations'), 'technical'), 'fingering') ?? [],
    );
    expect(fingers).toHaveLength(4 + 3);
  });

  it('says which version of the format it is', () => {
    expect(writeMusicXml(arrange(DEMO_SONGS[0], DEFAULT_PROFILE))).toMatch(/<score-partwise version="4.0">/);
  });

  it('has two staves with their clefs, one key, one metre and a final bar line', () => {
    const list = measures(arrange(DEMO_SONGS[0], DEFAULT_PROFILE));
    const attributes = child(list[0], 'attributes') as Element;
    expect(childrenOf(attributes, 'clef').map((c) => childText(c, 'sign'))).toEqual(['G', 'F']);
    expect(list.slice(1).every((m) => !child(m, 'attributes'))).toBe(true);
    expect(childText(child(list[23], 'barline'), 'bar-style')).toBe('light-heavy');
  });

  it('escapes what a title may hold', () => {
    const song = applyEdit(DEMO_SONGS[0], { kind: 'rename', title: 'Low & <High> "Water"' });
    const root = parseXml(writeMusicXml(arrange(song, DEFAULT_PROFILE)));
    expect(childText(child(root, 'work'), 'work-title')).toBe('Low & <High> "Water"');
  });
});

it('who wrote words and music goes along, and comes back', () => {
  const credits = { words: 'Ada <Marsh>', music: 'Tom Weir' };
  const text = writeMusicXml(arrange({ ...DEMO_SONGS[1], credits }, DEFAULT_PROFILE));
  expect(readMusicXmlTunes(text, 's', 'S').map(({ song }) => song.credits)).toContainEqual(credits);
  const without = writeMusicXml(arrange(DEMO_SONGS[1], DEFAULT_PROFILE));
  expect(without).not.toContain('<creator');
});

describe('voices', () => {
  it('hold every note once and never overlap', () => {
    fc.assert(
      fc.property(songs, onLevel, (song, level) => {
        const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE, {
          withoutFingers: true,
        });
        for (const hand of [a.right, a.left]) {
          const voices = voicesOf(hand);
          expect(voices.flat().flatMap((e) => e.notes)).toHaveLength(hand.length);
          for (const voice of voices) {
            for (let i = 1; i < voice.length; i++)
              expect(voice[i].tick).toBeGreaterThanOrEqual(voice[i - 1].tick + voice[i - 1].length);
          }
        }
      }),
      { numRuns: runs(60) },
    );
  });
});
