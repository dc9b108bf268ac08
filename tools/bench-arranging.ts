import { TUNES_APART } from '../demo/kept-apart';
import { SHAPED, SHAPED_SONGS } from '../demo/shaped';
import { SHAPED_APART, SHAPED_SONGS_APART } from '../demo/shaped-apart';
import { intensityFollows, stylesFound } from '../demo/shapeMarks';
import { DEMO_SONGS } from '../demo/songs';
import { faultsIn, FAULTS, fingerFaultsIn } from '../demo/struckOut';
import { UNSEEN_TUNES } from '../demo/unseen';
import { arrange } from '../core/arrange';
import type { Arrangement } from '../core/arrangement';
import { figureOf, styleOf } from '../core/shaping';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../core/song';

const SETS: readonly (readonly [string, readonly Song[]])[] = [
  ['shaped', SHAPED_SONGS],
  ['shaped, apart', SHAPED_SONGS_APART],
  ['demo', DEMO_SONGS],
  ['kept apart', TUNES_APART],
  ['unseen', UNSEEN_TUNES],
];
const WIDE = 14;

function fullest(song: Song, level: number, measure: 'few' | 'many', withoutFingers = true): Arrangement {
  const choices = { level, fills: { measure, seed: 0 } };
  return arrange(applyEdit(song, { kind: 'choose', choices }), DEFAULT_PROFILE, { withoutFingers });
}

/** "waltz full": the figures a song is played with. */
function figuresOf(song: Song): string[] {
  const { shape, played } = fullest(song, 5, 'many');
  const style = styleOf(shape.proposed.style);
  return shape.phrases.map((phrase) => `${style.id} ${figureOf(shape, phrase, style, played)}`);
}

/** What a teacher would strike out at the levels above the fourth, per 100 bars, set by set; how the plan follows the marks. */
export function arrangingFigures(): void {
  const sets = SETS.map(
    ([name, songs]) => [name, songs.filter(({ changes }) => changes.length > 0)] as const,
  );
  const row = (name: string, values: readonly number[]): void =>
    console.log(name.padEnd(46) + values.map((value) => value.toFixed(1).padStart(WIDE)).join(''));
  for (const level of [5, 6, 7]) {
    const all = sets.map(([name, songs]) => {
      const arranged = songs.map((song) => fullest(song, level, 'many'));
      const bars = arranged.reduce((sum, { played }) => sum + played.bars.length, 0);
      return { name, bars, arranged, faults: arranged.map(faultsIn) };
    });
    console.log(`\nlevel ${level}, fills many, per 100 bars`);
    console.log(''.padEnd(46) + all.map(({ name, bars }) => `${name} ${bars}`.padStart(WIDE)).join(''));
    for (const fault of FAULTS)
      row(
        fault,
        all.map(({ faults, bars }) => (100 * faults.reduce((sum, one) => sum + one[fault], 0)) / bars),
      );
    row(
      'wrong fingers',
      sets.map(([, songs], i) => {
        const fingered = songs.map((song) => fullest(song, level, 'many', false));
        return (100 * fingered.reduce((sum, one) => sum + fingerFaultsIn(one), 0)) / all[i].bars;
      }),
    );
    row(
      'figures',
      sets.flatMap(([, songs]) => [new Set(songs.flatMap(figuresOf)).size]),
    );
    if (level < 7) continue;
    for (const kind of ['answer', 'walk'])
      row(
        `${kind}s, many`,
        all.map(({ arranged, bars }) => perBars(arranged, bars, kind)),
      );
    row(
      'answers, few',
      sets.map(([, songs], i) =>
        perBars(
          songs.map((song) => fullest(song, 7, 'few')),
          all[i].bars,
          'answer',
        ),
      ),
    );
  }
  for (const [name, rows, songs] of [
    ['shaped', SHAPED, SHAPED_SONGS],
    ['shaped, apart', SHAPED_APART, SHAPED_SONGS_APART],
  ] as const) {
    const each = rows.map((one, i) => intensityFollows(one, songs[i]));
    const mean = each.reduce((sum, one) => sum + one, 0) / each.length;
    console.log(
      `${name}: intensity follows the marks ${mean.toFixed(2)}; ${stylesFound(rows, songs)} of ${rows.length} styles suit`,
    );
  }
}

function perBars(arranged: readonly Arrangement[], bars: number, kind: string): number {
  const played = arranged.flatMap(({ fills }) => fills.filter((fill) => fill.taken && fill.kind === kind));
  return (100 * played.length) / bars;
}
