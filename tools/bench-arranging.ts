import { TUNES_APART } from '../demo/kept-apart';
import { DEMO_SONGS } from '../demo/songs';
import { faultsIn, FAULTS } from '../demo/struckOut';
import { UNSEEN_TUNES } from '../demo/unseen';
import { arrange } from '../core/arrange';
import type { Arrangement } from '../core/arrangement';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../core/song';

const SETS: readonly (readonly [string, readonly Song[]])[] = [
  ['demo songs', DEMO_SONGS],
  ['kept apart', TUNES_APART],
  ['unseen', UNSEEN_TUNES],
];

function fullest(song: Song): Arrangement {
  const choices = { level: 7, fills: { measure: 'many' as const, seed: 1 } };
  return arrange(applyEdit(song, { kind: 'choose', choices }), DEFAULT_PROFILE, { withoutFingers: true });
}

/** What a teacher would strike out at level 7, fills many, per 100 bars, set by set. */
export function arrangingFigures(): void {
  const all = SETS.map(([name, songs]) => {
    const arranged = songs.filter(({ changes }) => changes.length > 0).map(fullest);
    const bars = arranged.reduce((sum, { played }) => sum + played.bars.length, 0);
    return { name, bars, faults: arranged.map(faultsIn) };
  });
  const sets = all.map(({ name, bars }) => `${name} (${bars} bars)`).join(', ');
  console.log(`\nlevel 7, fills many, per 100 bars: ${sets}`);
  for (const fault of FAULTS) {
    const told = all.map(({ faults, bars }) => {
      const times = faults.reduce((sum, one) => sum + one[fault], 0);
      return ((100 * times) / bars).toFixed(1).padStart(7);
    });
    console.log(`${fault.padEnd(46)}${told.join('')}`);
  }
}
