import '@angular/compiler';
import { Injector, signal } from '@angular/core';
import { arrange } from '@joined-hands/core/arrange';
import { DEFAULT_HANDOUT, layOut } from '@joined-hands/core/sheets';
import { DEFAULT_PROFILE, type Profile, type Song } from '@joined-hands/core/song';
import { strFromU8, unzipSync } from 'fflate';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { PracticeStore } from '../../storage/practice-store';
import { Asker } from '../../workers/asker';
import { HandoutState } from './handout-state';
import { TakeAway } from './take-away';

const [lanterns] = DEMO_SONGS;
const arrangement = arrange(lanterns, DEFAULT_PROFILE);
const PAPER = DEFAULT_HANDOUT.paper;
const turn = { songId: lanterns.id, card: 'x', at: 0, seconds: 60, isClean: true, kind: 'right' };

describe('a song taken away whole', () => {
  const open = signal<{ song: Song | null; profile: Profile }>({ song: lanterns, profile: DEFAULT_PROFILE });
  let asked: Song[];
  const questions: { format: string; practice: unknown }[] = [];
  let record: { turns: unknown[] } | null = null;
  let fontsAnswer = true;
  let takeAway: TakeAway;

  beforeEach(() => {
    open.set({ song: lanterns, profile: DEFAULT_PROFILE });
    asked = [];
    questions.length = 0;
    record = { turns: [turn] };
    fontsAnswer = true;
    vi.stubGlobal('fetch', async () => ({
      ok: fontsAnswer,
      arrayBuffer: async () => Uint8Array.of(1, 2, 3).buffer,
    }));
    const ask = async (song: Song, _profile: unknown, question: { format: string; practice: unknown }) => {
      asked.push(song);
      questions.push(question);
      return `the ${question.format}`;
    };
    takeAway = Injector.create({
      providers: [
        { provide: HandoutState, useValue: { bench: { state: open } } },
        { provide: Asker, useValue: { ask } },
        { provide: PracticeStore, useValue: { recordOf: async () => record } },
        { provide: TakeAway },
      ],
    }).get(TakeAway);
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });
  const filesIn = (archive: Uint8Array): Record<string, string> => {
    const entries = unzipSync(archive);
    return Object.fromEntries(Object.entries(entries).map(([name, bytes]) => [name, strFromU8(bytes)]));
  };

  it('holds every file by the name of the song, its sheets with their fonts, and the log', async () => {
    const pages = layOut(arrangement, ['title'], PAPER, {} as never);
    const [name, archive, type] = await takeAway.make(pages, PAPER);
    expect([name, type]).toEqual(['lanterns-at-low-water.zip', 'application/zip']);
    const files = filesIn(archive);
    expect(Object.keys(files).map((name) => name.replace('lanterns-at-low-water', '…'))).toEqual([
      '….joined.json',
      '….musicxml',
      '….mid',
      '….txt',
      '…-cards.txt',
      '…-sheets.html',
      '…-log.csv',
    ]);
    expect(files['lanterns-at-low-water.musicxml']).toBe('the musicxml');
    expect(files['lanterns-at-low-water-sheets.html']).toContain('data:font/woff2;base64,AQID');
    expect(files['lanterns-at-low-water-log.csv'].split('\n')).toHaveLength(2);
    // What was practised goes with the project alone.
    expect(questions.map(({ format, practice }) => [format, practice === record])).toEqual([
      ['project', true],
      ['musicxml', false],
      ['midi', false],
      ['walkthrough', false],
      ['cards', false],
    ]);
  });

  it('has no empty file: no log of nothing, no sheets where none are chosen', async () => {
    record = { turns: [] };
    for (const of of [record, null]) {
      record = of;
      const [, archive] = await takeAway.make([], PAPER);
      expect(Object.keys(filesIn(archive)).filter((name) => /sheets|log/.test(name))).toEqual([]);
    }
  });

  it('is the song as it is, though its last edit is still being arranged', async () => {
    const edited = { ...lanterns, playingOrder: [{ fromBar: 1, toBar: 8 }] };
    open.set({ song: edited, profile: DEFAULT_PROFILE });
    await takeAway.make([], PAPER);
    expect(new Set(asked)).toEqual(new Set([edited]));
  });

  it('is not made in part', async () => {
    fontsAnswer = false;
    const pages = layOut(arrangement, ['title'], PAPER, {} as never);
    await expect(takeAway.make(pages, PAPER)).rejects.toThrow(/^the font .* could not be loaded$/);
    open.set({ song: null, profile: DEFAULT_PROFILE });
    await expect(takeAway.make([], PAPER)).rejects.toThrow('no song is open');
  });
});
