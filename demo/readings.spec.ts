import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { HANDED_OUT, handoutOf } from './handouts';
import { offersOf } from './offers';
import { playingOf } from './playing';
import { readingOf } from './reading';
import { DEMO_SONGS } from './songs';

describe('the demo songs read aloud', () => {
  it.each(DEMO_SONGS.map((song) => [song.title, song] as const))('%s', (_, song) => {
    const file = new URL(`./readings/${song.id}.txt`, import.meta.url);
    expect(readingOf(song)).toEqual(readFileSync(file, 'utf8').trimEnd().split('\n'));
  });

  it.each(DEMO_SONGS.map((song) => [song.title, song] as const))('%s, played', (_, song) => {
    const file = new URL(`./readings/${song.id}-played.txt`, import.meta.url);
    expect(playingOf(song)).toEqual(readFileSync(file, 'utf8').trimEnd().split('\n'));
  });

  it.each(DEMO_SONGS.map((song) => [song.title, song] as const))('%s, what could be played', (_, song) => {
    const file = new URL(`./readings/${song.id}-offers.txt`, import.meta.url);
    expect(offersOf(song)).toEqual(readFileSync(file, 'utf8').trimEnd().split('\n'));
  });

  it.each(HANDED_OUT.map((song) => [song.title, song] as const))('%s, handed out', (_, song) => {
    const file = new URL(`./readings/${song.id}-handout.txt`, import.meta.url);
    expect(handoutOf(song)).toEqual(readFileSync(file, 'utf8').trimEnd().split('\n'));
  });
});
