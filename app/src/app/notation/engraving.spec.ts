import { arrange } from '@joined-hands/core/arrange';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { writeMusicXml } from '@joined-hands/core/formats';
import {
  DEFAULT_PAPER,
  type Paper,
  roomOn,
  scoresOf,
  type System,
  systemsFrom,
} from '@joined-hands/core/sheets';
import { applyEdit, DEFAULT_PROFILE, type Song } from '@joined-hands/core/song';
import { randomSong } from '../../../../core/testing';
import { VerovioToolkit } from 'verovio/esm';
import createModule from 'verovio/wasm';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { SHAPED_SONGS_APART } from '../../../../demo/shaped-apart';
import { engrave } from './engraving';

const toolkit = new VerovioToolkit(await createModule());
const onLevel = (song: Song, level: number): Arrangement =>
  arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
const systemsOf = (
  a: Arrangement,
  which: 'lead' | 'grand' | 'parts',
  paper: Paper = DEFAULT_PAPER,
): System[][] =>
  scoresOf(a, which, roomOn(paper), paper).map((score) =>
    systemsFrom(score, [...engrave(toolkit, score.score, score)], roomOn(paper)),
  );
const PAPERS: readonly Partial<Paper>[] = [{}, { size: 'letter', isAcross: true }, { isDesk: true }];
const LEVELS = [1, 4, 5, 6, 7];
const SONGS = [...DEMO_SONGS, ...SHAPED_SONGS_APART];

describe('a song engraved in systems', () => {
  it.each(SONGS.map((song, i) => [song.title, song, LEVELS[i % 5], PAPERS[i % 3]] as const))(
    '%s: every bar once and in order, none alone at the end',
    (_, song, level, differs) => {
      const a = onLevel(song, level);
      for (const which of ['lead', 'grand'] as const) {
        const [systems] = systemsOf(a, which, { ...DEFAULT_PAPER, ...differs, repeats: 'written-out' });
        expect(systems.flatMap(({ bars }) => bars)).toEqual(a.played.bars);
        if (systems.length > 1) expect(systems.at(-1)?.bars.length).toBeGreaterThan(1);
      }
    },
  );

  it('ends with no bar alone where it is too long to be measured', () => {
    for (const bars of [101, 103, 105, 107]) {
      const a = onLevel(randomSong({ bars, changesPerBar: 1, seed: bars }), 4);
      const [systems] = systemsOf(a, 'lead');
      expect(systems.flatMap((system) => system.bars)).toEqual(a.played.bars);
      expect(systems.at(-1)?.bars.length).toBeGreaterThan(1);
    }
  });

  it('draws repeats with their endings, each bar once', () => {
    const [systems] = systemsOf(onLevel(DEMO_SONGS[3], 4), 'grand');
    expect(systems.flatMap(({ bars }) => bars.map(({ written }) => written))).toEqual(
      Array.from({ length: 26 }, (_, i) => i + 1),
    );
    const svg = systems.map((system) => system.svg).join('');
    expect(svg.match(/class="ending/g)?.length).toBeGreaterThanOrEqual(2);
  });

  it('has three bars and more in a line at the usual size, of quarters and of eighths', () => {
    DEMO_SONGS.forEach((song, i) => {
      const [systems] = systemsOf(onLevel(song, i % 2 === 0 ? 7 : 4), 'grand');
      for (const { bars } of systems.slice(0, -1)) expect(bars.length).toBeGreaterThanOrEqual(3);
    });
  });

  it('gives each part its own, from the bar it begins in', () => {
    const a = onLevel(DEMO_SONGS[1], 4);
    const parts = systemsOf(a, 'parts');
    expect(parts.map(([first]) => first.part)).toEqual(a.parts.map(({ number }) => number));
    parts.forEach((systems, i) => {
      const [first] = systems[0].bars;
      const { fromTick } = a.parts[i];
      expect(first.tick).toBeLessThanOrEqual(fromTick);
      expect(first.tick + first.length).toBeGreaterThan(fromTick);
    });
  });

  it('leaves no style sheet and no style behind, which a strict policy forbids, and says by attributes what they say', () => {
    const svg = systemsOf(onLevel(DEMO_SONGS[3], 7), 'grand')[0]
      .map((system) => system.svg)
      .join('');
    expect(svg).not.toMatch(/<style|\sstyle=|<script|Times/);
    expect(svg).toMatch(/class="fing[^"]*" font-weight="bold"/);
    expect(svg).toMatch(/class="dynam[^"]*" font-style="italic"/);
  });

  it('tells each key by the name it was given, once', () => {
    const a = onLevel(DEMO_SONGS[0], 7);
    const keys = [...a.right, ...a.left];
    const idOf = (note: (typeof keys)[number]): string => `key-${keys.indexOf(note)}`;
    const svg = [...engrave(toolkit, writeMusicXml(a, { idOf }), { width: 26 })]
      .map((system) => system.svg)
      .join('');
    const found = [...svg.matchAll(/id="key-(\d+)"/g)].map(([, at]) => Number(at)).sort((x, y) => x - y);
    expect(found).toEqual(keys.map((_, i) => i));
  });

  it('a lead sheet has the tune alone, on one staff, with chords and words', () => {
    const a = onLevel(DEMO_SONGS[1], 7);
    const [score] = scoresOf(a, 'lead', roomOn(DEFAULT_PAPER));
    const pitches = score.score.match(/<pitch>/g)?.length ?? 0;
    const ties = score.score.match(/<tie type="stop"/g)?.length ?? 0;
    expect(pitches - ties).toBe(a.right.filter(({ source }) => source === 'melody').length);
    expect(score.score).toContain('<staves>1</staves>');
    expect(score.score).not.toMatch(/<fingering|<dynamics|<pedal/);
    expect(score.score).toMatch(/<harmony>[\s\S]*<lyric>/);
  });

  it('has its signs in the font that ships with the application', () => {
    toolkit.setOptions({ smuflTextFont: 'embedded' });
    toolkit.loadData(writeMusicXml(onLevel(DEMO_SONGS[0], 1)));
    const embedded = /base64,([A-Za-z0-9+/=]+)/.exec(toolkit.renderToSVG(1))?.[1] ?? '';
    const shipped = readFileSync(new URL('../../../public/fonts/leipzig.woff2', import.meta.url));
    expect(shipped.toString('base64')).toBe(embedded);
  });

  it('refuses what is no score', () => {
    expect(() => [...engrave(toolkit, 'no score', { width: 26 })]).toThrow('could not read');
  });
});
