import { describe, expect, it } from 'vitest';
import { SHAPED_SONGS } from '../../demo/shaped';
import { SHAPED_SONGS_APART } from '../../demo/shaped-apart';
import { unfold } from '../song';
import { wholeBars } from '../testing';
import { divide } from './divide';
import { twelveBarsFrom } from './twelveBars';

describe('twelve bars of the blues', () => {
  const from = (chords: string): number[] =>
    twelveBarsFrom(
      unfold(
        wholeBars(
          chords.split(' ').map(() => 'E5'),
          chords.split(' '),
        ),
      ),
    );

  it('are known by their degrees, once or again, and not by a song of twelve bars', () => {
    const blues = 'C7 C7 C7 C7 F7 F7 C7 C7 G7 F7 C7 C7';
    expect([from(blues), from(`${blues} ${blues}`), from(`G7 G7 ${blues}`)]).toEqual([[0], [0, 12], [2]]);
    expect([from('C7 F7 C7 C7 F7 F7 C7 A7 Dm7 G7 C7 G7'), from('C G7 C C F F C C G7 F C C')]).toEqual([
      [0],
      [],
    ]);
    expect(from('C Am F G C Am F G F G C C')).toEqual([]);
  });

  it('are cut into three fours; songs of four-bar phrases whose tune rests half way are not cut there', () => {
    const bars = (title: string): number[] => {
      const song = [...SHAPED_SONGS, ...SHAPED_SONGS_APART].find((one) => one.title === title);
      const played = unfold(song ?? SHAPED_SONGS[0]);
      return divide(played).map(
        ({ tick }) => played.bars.find((bar) => bar.tick >= tick && bar.number > 0)?.number ?? 0,
      );
    };
    expect(bars('Cold Kettle Blues')).toEqual([1, 5, 9]);
    expect(bars('All Ye Lamps')).toEqual([1, 5, 9, 13]);
  });
});
