import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { parsePitch } from '../music';
import { applyEdit, DEFAULT_PROFILE, type OwnBars, type Song } from '../song';
import { byHandInWords } from './leftHand';
import { partCard } from './partCard';
import { partInWords } from './walkthrough';

const [lanterns] = DEMO_SONGS;
const BAR = 2880;
const note = (after: number, length: number, name: string): OwnBars['notes'][number] => ({
  after,
  length,
  pitch: parsePitch(name),
});
const write = (song: Song, hand: 'left' | 'right', bar: number, notes: OwnBars['notes']): Song =>
  applyEdit(song, {
    kind: 'own-bars-written',
    own: {
      id: `o${bar}${hand}`,
      hand,
      tick: BAR * (bar - 1),
      length: BAR,
      how: 'instead',
      pass: null,
      notes,
    },
    session: null,
  });

describe('bars written by hand, in words', () => {
  const song = write(
    write(lanterns, 'left', 2, [note(0, 960, 'E2'), note(960, 1920, 'C3'), note(960, 1920, 'G3')]),
    'right',
    3,
    [note(0, 480, 'D5'), note(480, 480, 'E5'), note(960, 1920, 'F4'), note(960, 1920, 'A4')],
  );
  const a = arrange(song, DEFAULT_PROFILE);
  const told = partInWords(a, 0);

  it('are told as they are struck, each hand', () => {
    expect(told.filter((line) => line.startsWith('  Bar 2: F'))).toEqual([
      expect.stringMatching(/^ {2}Bar 2: F \(.*\): E2 C3\+G3, fingers /),
    ]);
    expect(told.filter((line) => line.startsWith('  Bar 3'))).toEqual([
      expect.stringMatching(/^ {2}Bar 3: up to D, up to E, down to A {3}\(on 1, 1 &, 2\)/),
      expect.stringMatching(/^ {2}Bar 3: under A, on 2: F4\+A4/),
      expect.stringMatching(/^ {2}Bar 3: Dm/),
    ]);
  });

  it('a chord in whose place something is written says so', () => {
    expect(a.changes.slice(0, 3).map((change) => byHandInWords(a, change))).toEqual([
      '',
      'Here the left hand plays what was written by hand: E2 C3+G3.',
      '',
    ]);
  });

  it('no chord is told to move from keys that are not struck', () => {
    const dm = told.find((line) => line.startsWith('  Bar 3: Dm'));
    expect(dm).not.toContain(';');
    const plain = partInWords(arrange(lanterns, DEFAULT_PROFILE), 0).find((line) =>
      line.startsWith('  Bar 3: Dm'),
    );
    expect(plain).toContain(';');
  });

  it('the card has the line that is played', () => {
    expect(partCard(a, 0).lines[2]).toMatchObject({
      letters: 'up to D, up to E, down to A',
      counts: '1, 1 &, 2',
    });
  });
});
