import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { symbolOf, typeset } from '../music';
import { DEFAULT_PROFILE, emptySong } from '../song';
import { PRACTISE_SETTINGS } from '../practice';
import { randomSong, some, wholeBars } from '../testing';
import { pagePicture, SHEET_FONTS, sheetDocument, type SheetFonts } from './document';
import { DEFAULT_HANDOUT, readHandout, sheetMoved, withSheet } from './handout';
import { layOut, type Page, SHEETS } from './layOut';
import { DEFAULT_PAPER, type Paper, roomOn } from './paper';
import { type Face, widthOf } from './text';

const ALL = SHEETS.map(({ id }) => id);
const PAPERS: readonly Paper[] = (['a4', 'letter'] as const).flatMap((size) =>
  [0, 1, 2, 3, 4, 5, 6, 7].map((bits) => ({
    size,
    isAcross: (bits & 1) > 0,
    isDesk: (bits & 2) > 0,
    isBound: (bits & 4) > 0,
    fingers: 'all',
    repeats: 'signs',
    hasSlurs: false,
  })),
);
/** Staff notation as blank systems of four bars. */
const blank = ({ played }: Arrangement) => {
  const systems = Array.from({ length: Math.ceil(played.bars.length / 4) }, (_, i) => ({
    bars: played.bars.slice(4 * i, 4 * i + 4),
    height: 50,
    svg: '',
    viewBox: '0 0 10 10',
  }));
  return { staves: { lead: systems, grand: systems } };
};

/** Every text of a page: what it says and where it stands, in units. */
function textsOf({ svg }: Page) {
  const found = svg.matchAll(
    /<text class="(\w+)" x="([-\d.]+)" y="([-\d.]+)" font-size="([\d.]+)"(?: text-anchor="(\w+)")?[^>]*>([^<]*)<\/text>/g,
  );
  return [...found].map(([, face, x, y, size, anchor, escaped]) => {
    const words = escaped
      .replace(/&lt;/g, '<')
      .replace(/&gt;/g, '>')
      .replace(/&quot;/g, '"')
      .replace(/&amp;/g, '&');
    const wide = widthOf(words, face as Face, Number(size));
    const left = Number(x) - (anchor === 'end' ? wide : anchor === 'middle' ? wide / 2 : 0);
    return { words, left, right: left + wide, y: Number(y), size: Number(size) };
  });
}

/** What stands beyond the margins by more than a unit, or beyond the paper at all. */
function offPaper(page: Page, paper: Paper): string[] {
  const { pageWidth, pageHeight, left, width } = roomOn(paper);
  const slack = 1;
  const texts = textsOf(page)
    .filter((t) => t.left < left - slack || t.right > left + width + slack || t.y < 3 || t.y > pageHeight - 1)
    .map(({ words }) => words);
  const lines = [...page.svg.matchAll(/<(?:line|rect|circle|svg) [^>]*>/g)].flatMap(([tag], i) => {
    if (i === 0 && tag.includes('class="sheet"')) return [];
    const of = (name: string): number => Number(new RegExp(` ${name}="([-\\d.]+)"`).exec(tag)?.[1] ?? NaN);
    const ends = [of('x'), of('x') + of('width'), of('x1'), of('x2'), of('cx')].filter(
      (x) => !Number.isNaN(x),
    );
    const tops = [of('y'), of('y') + of('height'), of('y1'), of('y2'), of('cy')].filter(
      (y) => !Number.isNaN(y),
    );
    const isOn =
      ends.every((x) => x >= left - slack && x <= left + width + slack && x <= pageWidth) &&
      tops.every((y) => y >= 0 && y <= pageHeight);
    return isOn ? [] : [tag];
  });
  return [...texts, ...lines];
}

describe('sheets', () => {
  it('say which hand is first and what meets where both play, and not of the melody alone', () => {
    for (const song of DEMO_SONGS) {
      const told = (level: number): string =>
        layOut(onLevel(song, level), ['parts'], DEFAULT_PAPER)
          .flatMap((page) => textsOf(page).map(({ words }) => words))
          .join(' ');
      expect([song.title, told(4)]).toEqual([song.title, expect.stringMatching(/hand first\..*Say: /)]);
      expect([song.title, told(1)]).toEqual([
        song.title,
        expect.not.stringMatching(/first\.|Say: |left hand/),
      ]);
    }
  });

  it('stand on their paper whole, of every song at every level, on every paper', () => {
    DEMO_SONGS.forEach((song, s) => {
      for (let level = 1; level <= 7; level++) {
        const a = onLevel(song, level);
        // Each song and level meets some of the papers, all of them meet some level of each song.
        for (const paper of some(PAPERS.filter((_, p) => (p + level + s) % 5 === 0))) {
          const pages = layOut(a, ALL, paper, blank(a));
          pages.forEach((page, i) => {
            expect([song.title, level, paper, page.sheet, offPaper(page, paper)]).toEqual([
              song.title,
              level,
              paper,
              page.sheet,
              [],
            ]);
            expect(page.number).toBe(i + 1);
          });
          expect(
            textsOf(pages[0]).some(({ words }) => words.startsWith(`page 1 of ${pages.length} · `)),
          ).toBe(true);
        }
      }
    });
  });

  it('can be read from a metre away at desk size: no letter of any song is under 18 points', () => {
    DEMO_SONGS.forEach((song, s) => {
      for (let level = 1; level <= 7; level++) {
        const a = onLevel(song, level);
        for (const paper of some(PAPERS.filter((_, p) => (p + level + s) % 4 === 0))) {
          const { scale } = roomOn(paper);
          const pages = layOut(a, ALL, paper, blank(a));
          const sizes = pages.flatMap((page) =>
            textsOf(page)
              // A finger on a key of the small keyboard is as large as the key.
              .filter(({ words }) => !/^[1-5]$/.test(words))
              .map(({ size }) => (size * scale * 72) / 25.4),
          );
          expect(Math.min(...sizes)).toBeGreaterThanOrEqual(paper.isDesk ? 18 : 9);
          // And nothing had to be drawn smaller to fit.
          expect([song.title, level, paper, pages.filter(({ svg }) => svg.includes('scale('))]).toEqual([
            song.title,
            level,
            paper,
            [],
          ]);
        }
      }
    });
  });

  it('hold every part, chord and syllable of the song', () => {
    for (const song of DEMO_SONGS) {
      const a = onLevel(song, 4);
      const words = (id: (typeof ALL)[number]) =>
        layOut(a, [id], DEFAULT_PAPER).flatMap((page) => textsOf(page).map((text) => text.words));
      const symbols = a.changes.map(({ change }) => typeset(change.symbol));
      const count = (list: readonly string[], symbol: string) =>
        list.filter((word) => word === symbol).length;
      const over = words('words');
      for (const symbol of new Set(symbols))
        expect([symbol, count(over, symbol)]).toEqual([symbol, count(symbols, symbol)]);
      const sung = a.played.melody.flatMap(({ lyric }) => (lyric ? [lyric.text] : []));
      const told = over.map((word) => word.replace(/-$/, ''));
      for (const syllable of sung) expect(told).toContain(syllable);
      const heads = words('parts').filter((word) => word.startsWith('Part ') && word.includes('·'));
      expect(heads).toHaveLength(a.parts.length);
      for (const symbol of new Set(symbols)) expect(words('legend')).toContain(symbol);
      expect(words('title')).toContain(a.parts.map(({ label }) => label.replace(/'/g, '′')).join(' '));
    }
  });

  it('give each chord its fingers, also where a pattern breaks it up, as it is struck where it is', () => {
    for (const song of DEMO_SONGS)
      for (const level of [3, 4, 5, 7]) {
        const a = onLevel(song, level);
        const chords = new Map(
          a.changes.map(({ chord, voicing }) => [
            `${symbolOf(chord)} ${voicing.keys.join()}`,
            voicing.keys.length,
          ]),
        );
        const fingers = layOut(a, ['legend'], DEFAULT_PAPER)
          .flatMap(textsOf)
          .filter(({ words }) => /^[1-5]$/.test(words));
        const keys = [...chords.values()].reduce((sum, count) => sum + count, 0);
        expect([song.title, level, fingers.length]).toEqual([song.title, level, keys]);
      }
    // Lanterns begins on an A minor chord from C: 5 on C, 3 on E, 1 on A.
    const first = layOut(onLevel(DEMO_SONGS[0], 4), ['legend'], DEFAULT_PAPER).flatMap(textsOf);
    const places = first.filter(({ words }) => /^[1-5]$/.test(words)).slice(0, 3);
    expect(places.map(({ words }) => words)).toEqual(['5', '3', '1']);
    expect(places[0].left).toBeLessThan(places[1].left);
  });

  it('name each chord once, how often it is held, and the other chords its keys are, two at most', () => {
    const song = wholeBars(['E5', 'E5', 'F5', 'D5', 'F5'], ['Am7', 'C6', 'Dm', 'Bdim7', 'Dm']);
    const told = layOut(onLevel(song, 4), ['legend'], DEFAULT_PAPER)
      .flatMap(textsOf)
      .map(({ words }) => words)
      .filter((words) => words !== '' && !/^[1-5]$/.test(words));
    expect(told.slice(1, -1)).toEqual([
      ...['Am7', 'first inversion', 'C E G A', 'also C6'],
      ...['C6', 'root position', 'C E G A', 'also Am7'],
      ...['Dm', 'root position, 2 times', 'D F A'],
      ...['Bdim7', 'first inversion', 'D F A♭ B', 'also Ddim7, G♯dim7'],
    ]);
  });

  it('have each part on staves too: its systems under its heading, none where it is told elsewhere', () => {
    const a = onLevel(DEMO_SONGS[0], 4);
    // A system for every part, as an engraver gives them that breaks lines where parts begin.
    const rows = a.parts.map((part) => ({
      bars: a.played.bars.filter(({ tick }) => tick >= part.fromTick && tick < part.toTick),
      height: 40,
      svg: `<g id="system-${part.number}"/>`,
      viewBox: '0 0 10 10',
    }));
    const svg = layOut(a, ['staves'], DEFAULT_PAPER, { staves: { parts: rows } })
      .map((page) => page.svg)
      .join('');
    const drawn = [...svg.matchAll(/Part (\d) [^<]*·|id="system-(\d)"/g)].map(([, part, system]) =>
      part ? `part ${part}` : `system ${system}`,
    );
    expect(drawn).toEqual([
      'part 1',
      'system 1',
      'part 2',
      'system 2',
      'part 3',
      'system 3',
      'part 4',
      'part 5',
      'part 6',
      'system 6',
    ]);
  });

  it('say what is the same as elsewhere once', () => {
    const a = onLevel(DEMO_SONGS[3], 4);
    const texts = layOut(a, ['parts'], DEFAULT_PAPER).flatMap((page) =>
      textsOf(page).map(({ words }) => words),
    );
    const said = texts.filter((words) => words === 'The same as part 1: nothing new to learn.');
    const same = a.parts.filter(({ relation, relatedTo }) => relation === 'same' && relatedTo === 1);
    expect(said).toHaveLength(same.length);
    expect(same.length).toBeGreaterThan(0);
  });

  it('plan every task with a box for each turn, a tempo only where something is played', () => {
    const pages = layOut(onLevel(DEMO_SONGS[1], 4), ['plan'], DEFAULT_PAPER);
    const texts = pages.flatMap(textsOf).map(({ words }) => words);
    const at = (task: string) => texts[texts.indexOf(task) + 1];
    expect(at('Part 1: hear it')).not.toMatch(/^from/);
    expect(at('Part 1: say where the hands meet')).not.toMatch(/^from/);
    // Sluicegate Song is at 104.
    expect(at('Part 1, right hand')).toBe('from 60 %: 62 BPM');
    expect(texts).toContain('The whole song');
    // In the pianist's own way: two by two, each goal of one turn.
    const goal = { ...PRACTISE_SETTINGS.goal, turns: 1 };
    const own = layOut(onLevel(DEMO_SONGS[1], 4), ['plan'], DEFAULT_PAPER, {
      practises: { chain: 'pairs', goal },
    })
      .flatMap(textsOf)
      .map(({ words }) => words);
    expect(texts).toContain('Parts 1–3 in one go');
    expect(own).not.toContain('Parts 1–3 in one go');
    expect(own).toContain('Parts 3–4 in one go');
    const boxes = pages.flatMap(({ svg }) => [...svg.matchAll(/<rect [^>]*width="4.4"/g)]);
    const tasks = texts.filter((words) => /^(Parts? \d|Warm|The whole|Up to)/.test(words));
    expect(boxes.length).toBeGreaterThan(2 * tasks.length);
  });

  it('tell on each page which parts are on it', () => {
    const a = onLevel(DEMO_SONGS[0], 4);
    const pages = layOut(a, ['title', 'parts'], DEFAULT_PAPER);
    const parts = pages.filter(({ sheet }) => sheet === 'parts').map((page) => page.parts);
    expect(pages[0].parts).toBe(null);
    expect(parts[0]?.[0]).toBe(1);
    expect(parts.at(-1)?.[1]).toBe(a.parts.length);
    parts.slice(1).forEach((range, i) => {
      expect((range?.[0] ?? 0) - (parts[i]?.[1] ?? 0)).toBeLessThanOrEqual(1);
    });
  });

  it('are made of a song with nothing in it, of one long word, of any song', () => {
    const empty = emptySong('empty', 'Nothing yet');
    const word = 'Llanfairpwllgwyngyllgogerychwyrndrobwllllantysiliogogogoch'.repeat(3);
    const [lanterns] = DEMO_SONGS;
    const long = {
      ...lanterns,
      title: word,
      melody: lanterns.melody.map((note, i) => ({
        ...note,
        lyric: i === 2 ? { text: word.slice(0, 80), syllabic: 'single' as const } : null,
      })),
    };
    const random = Array.from({ length: 20 }, (_, seed) => randomSong({ bars: 9, changesPerBar: 2, seed }));
    for (const song of [empty, long, ...random])
      for (const paper of [DEFAULT_PAPER, { ...DEFAULT_PAPER, isDesk: true }]) {
        const a = arrange(song, DEFAULT_PROFILE);
        const pages = layOut(a, ALL, paper, blank(a));
        expect(pages.length).toBeGreaterThan(3);
        for (const page of pages) expect([page.sheet, offPaper(page, paper)]).toEqual([page.sheet, []]);
      }
  });

  it('are pictures of their own, with their fonts and nothing from elsewhere', () => {
    const [page] = layOut(onLevel(DEMO_SONGS[0], 4), ['title'], DEFAULT_PAPER);
    const fonts = Object.fromEntries(
      Object.keys(SHEET_FONTS).map((face) => [face, `data:${face}`]),
    ) as SheetFonts;
    const svg = pagePicture(page, fonts);
    expect(svg).toMatch(/^<svg [^>]*><style>/);
    for (const face of Object.keys(SHEET_FONTS)) expect(svg).toContain(`url('data:${face}')`);
    expect(svg.replace(/<style>[\s\S]*<\/style>/, '')).toBe(page.svg);
  });

  it('escape what a title holds, in the page and its file', () => {
    const a = onLevel({ ...DEMO_SONGS[0], title: '<img src=x> & "Co"' }, 4);
    const pages = layOut(a, ['title'], DEFAULT_PAPER);
    const fonts = Object.fromEntries(Object.keys(SHEET_FONTS).map((face) => [face, ''])) as SheetFonts;
    const html = sheetDocument(
      a.song.title,
      pages,
      { ...DEFAULT_PAPER, size: 'letter', isAcross: true },
      fonts,
    );
    expect(html).not.toContain('<img');
    expect(html).toContain('&lt;img src=x&gt; &amp; &quot;Co&quot;');
    expect(html).toContain('@page { size: 279.4mm 215.9mm; margin: 0; }');
  });
});

describe('a handout', () => {
  it('takes sheets in and out, and moves them, to the ends and not past them', () => {
    const { sheets } = DEFAULT_HANDOUT;
    expect(withSheet(DEFAULT_HANDOUT, 'plan', true).sheets).toEqual([...sheets, 'plan']);
    expect(withSheet(DEFAULT_HANDOUT, 'legend', false).sheets).toEqual(['title', 'parts']);
    expect(withSheet(DEFAULT_HANDOUT, 'title', true).sheets).toEqual(['legend', 'parts', 'title']);
    expect(sheetMoved(DEFAULT_HANDOUT, 'parts', -1).sheets).toEqual(['title', 'parts', 'legend']);
    expect(sheetMoved(DEFAULT_HANDOUT, 'title', 1).sheets).toEqual(['legend', 'title', 'parts']);
    expect(sheetMoved(DEFAULT_HANDOUT, 'title', -1).sheets).toEqual(sheets);
    expect(sheetMoved(DEFAULT_HANDOUT, 'parts', 1).sheets).toEqual(sheets);
    expect(sheetMoved(DEFAULT_HANDOUT, 'plan', 1).sheets).toEqual(sheets);
  });

  it('is read as it was stored, the usual one where that is none', () => {
    const own = { sheets: ['plan' as const], paper: { ...DEFAULT_PAPER, isDesk: true } };
    expect(readHandout(JSON.parse(JSON.stringify(own)))).toEqual(own);
    expect(readHandout({ ...own, sheets: ['plan', 'plan'] }).sheets).toEqual(['plan']);
    for (const wrong of [undefined, null, 3, { sheets: ['poster'], paper: own.paper }, { sheets: [] }])
      expect(readHandout(wrong)).toEqual(DEFAULT_HANDOUT);
  });
});
