import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import type { NoteNames } from '../music';
import type { Song } from '../song';

interface Told {
  readonly lines: readonly string[];
  /** Of the pages. */
  readonly words: readonly string[];
}

/** The program begun anew: what it remembers was said in the names it began with. */
async function begun(names: NoteNames): Promise<(song: Song) => Told> {
  vi.resetModules();
  (await import('../music')).useNoteNames(names);
  const { arrange } = await import('../arrange');
  const { inWords } = await import('../sentences');
  const { DEFAULT_PAPER, layOut, SHEETS } = await import('../sheets');
  const { PRACTISE_SETTINGS } = await import('../practice');
  const { DEFAULT_PROFILE } = await import('../song');
  const { partCard, writePartCards, writeWalkthrough } = await import('.');
  // All that is told of a song, on the screen and on paper, a line each.
  return (song) => {
    const lines = [2, 4, 5, 7].flatMap((level) => {
      const arrangement = arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE);
      return [
        writeWalkthrough(arrangement),
        writePartCards(arrangement),
        ...arrangement.parts.map((_, i) => JSON.stringify(partCard(arrangement, i), null, 1)),
        ...arrangement.findings.flatMap(({ says, remedies }) => [
          ...says.map(inWords),
          ...remedies.map(({ offer }) => inWords(offer)),
        ]),
        ...arrangement.fills.map(({ reason }) => inWords(reason)),
      ];
    });
    const sheets = SHEETS.filter((sheet) => !('staves' in sheet)).map(({ id }) => id);
    const pages = layOut(arrange(song, DEFAULT_PROFILE), sheets, DEFAULT_PAPER, {
      staves: {},
      practises: PRACTISE_SETTINGS,
    });
    // A page breaks its lines where the names let it: it is compared word by word.
    const onPaper = pages.flatMap(({ svg }) => [...svg.matchAll(/>([^<>]+)</g)].map(([, text]) => text));
    const words = onPaper.flatMap((text) => text.split(/\s+/));
    return { lines: lines.flatMap((text) => text.split('\n')), words };
  };
}

/** The letters of parts are no notes. */
const OF_PARTS = /^\s*(?:"title": ")?(?:Form:|Part \d+ )/;
const QUALITY = /maj|min|add|sus|dim|aug|alt/y;

/** A line in English as it must be in German. */
function inGerman(line: string): string {
  if (OF_PARTS.test(line)) return line;
  return line.replace(/(?<![A-Za-z])B([♭♯]*)/g, (name, signs: string, at: number) => {
    const after = at + name.length;
    QUALITY.lastIndex = after;
    const isWord = /^[A-Za-z]{2}/.test(line.slice(after)) && !QUALITY.test(line) && line[after] !== 'm';
    if (isWord) return name;
    return signs.startsWith('♭') ? `B${signs.slice(1)}` : `H${signs}`;
  });
}

describe('what is told in German names', () => {
  let [english, german]: ((song: Song) => Told)[] = [];
  beforeAll(async () => {
    english = await begun('english');
    german = await begun('german');
  });

  // Tests that come after have the program as it was.
  afterAll(() => vi.resetModules());

  it.each(DEMO_SONGS.map((song) => [song.title, song] as const))(
    'of %s is what is told in English, but for H and B',
    (_, song) => {
      const [before, after] = [english(song), german(song)];
      const wrong = after.lines.flatMap((line, i) =>
        line === inGerman(before.lines[i]) ? [] : [`${before.lines[i]} → ${line}`],
      );
      expect([...new Set(wrong)]).toEqual([]);
      // "B" alone is a note or the letter of a part.
      const strange = after.words.flatMap((word, i) =>
        word === inGerman(before.words[i]) || (word === before.words[i] && /^B′*,?$/.test(word))
          ? []
          : [`${before.words[i]} → ${word}`],
      );
      expect([...new Set(strange)]).toEqual([]);
      expect([after.lines.length, after.words.length]).toEqual([before.lines.length, before.words.length]);
    },
  );

  it('is stored in English letters: what reading a song found', async () => {
    vi.resetModules();
    (await import('../music')).useNoteNames('german');
    const { emptySong, migrateSong } = await import('../song');
    const odd = { tick: 0, tonic: { letter: 'G', alter: 1 }, mode: 'major' };
    const { imported } = migrateSong({ ...emptySong('b', 'G sharp'), keyMap: [odd] });
    expect(imported.map(({ said }) => said.facts)).toEqual([['G♯ major', 'A♭ major']]);
    const b = { tick: 0, tonic: { letter: 'B', alter: 1 }, mode: 'major' };
    expect(migrateSong({ ...emptySong('b', 'B sharp'), keyMap: [b] }).imported[0].said.facts[0]).toBe(
      'B♯ major',
    );
  });
});
