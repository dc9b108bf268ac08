import { arrange, arrangeInSlices } from '../core/arrange';
import { applyEdit, DEFAULT_PROFILE, type Song, type SongEdit } from '../core/song';
import { randomSong } from '../core/testing';
const song = randomSong({ bars: 200, changesPerBar: 1, seed: 11 });
const med = (t: number[]) => t.sort((a, b) => a - b)[t.length >> 1];
{
  const t: number[] = [];
  for (let i = 0; i < 9; i++) {
    const s0 = JSON.parse(JSON.stringify(song));
    const s = performance.now();
    arrange(s0, DEFAULT_PROFILE);
    t.push(performance.now() - s);
  }
  console.log('whole from scratch', t.map((x) => x.toFixed(0)).join(' '));
}
let cur: Song = song;
const run = (n: string, edit: (i: number) => SongEdit) => {
  const f: number[] = [],
    w: number[] = [];
  for (let i = 0; i < 9; i++) {
    cur = applyEdit(cur, edit(i));
    const s = performance.now();
    const sl = arrangeInSlices(cur, DEFAULT_PROFILE, { firstPart: 3 });
    let first = 0;
    for (;;) {
      const r = sl.next();
      if (r.done) break;
      if (r.value && !first) first = performance.now() - s;
    }
    f.push(first);
    w.push(performance.now() - s);
  }
  console.log(n.padEnd(12), 'first part', med(f).toFixed(1), 'whole', med(w).toFixed(1));
};
for (let k = 0; k < 2; k++) {
  run('pin', (i) => ({
    kind: 'pin',
    pin: { changeId: 'c' + (3 + i), keys: [48 + k, 52, 55 + i], fingers: null },
  }));
  run('unpin', (i) => ({ kind: 'unpin', changeId: 'c' + (3 + i) }));
  run('rung', (i) => ({ kind: 'choose', choices: { rung: i % 2 ? 4 : 5 } }));
  run('rung7', (i) => ({ kind: 'choose', choices: { rung: i % 2 ? 4 : 7 } }));
  run('rung3', (i) => ({ kind: 'choose', choices: { rung: i % 2 ? 4 : 3 } }));
  run('chord', (i) => ({
    kind: 'change-written',
    id: 'c' + (3 + i),
    symbol: ['Am7', 'F', 'E7', 'Dm'][(i + k) % 4],
  }));
  run('layout1', (i) => ({ kind: 'layout', changeId: 'c' + (3 + i), layout: k ? 'root' : 'shell' }));
  run('layout', (i) => ({ kind: 'choose', choices: { layout: i % 2 ? 'block' : 'root' } }));
  run('cut', (i) => ({ kind: 'cut-locked', id: 'x' + i + k, tick: (20 + i + k) * 3840, locked: true }));
  run('note', (i) => ({ kind: 'notes-moved', ids: ['n' + (20 + i)], semitones: 1 }));
  run('dismiss', (i) => ({ kind: 'dismissed', id: 'x' + i + k }));
}
