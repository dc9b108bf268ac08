import { arrange } from '@joined-hands/core/arrange';
import { FULLER_MANNERS } from '@joined-hands/core/fuller';
import { applyEdit, DEFAULT_PROFILE, type Song } from '@joined-hands/core/song';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs, songs, wholeBars } from '../../../../core/testing';
import { DEMO_SONGS } from '../../../../demo/songs';
import { NOTE_HEIGHT } from './seam-keys';
import { layoutSeam } from './seam-layout';
import { type SeamView, viewOf } from './seam-view';

const WIDTH = 740;
const layoutOf = (song: Song, level: number, part = 0, width = WIDTH) =>
  layoutSeam(
    viewOf(arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE), part),
    width,
  );

describe('the seam', () => {
  it('shows every note and key of the part once, inside the width and inside its row', () => {
    fc.assert(
      fc.property(
        songs,
        fc.constantFrom(1, 2, 4, 5),
        fc.constantFrom(360, 740, 1100),
        (song, level, width) => {
          const view = viewOf(
            arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE),
            0,
          );
          const { rows } = layoutSeam(view, width);
          expect(rows.flatMap((r) => r.notes)).toHaveLength(view.right.length);
          expect(rows.flatMap((r) => r.blocks)).toHaveLength(view.left.length);
          for (const row of rows) {
            for (const shape of row.notes) {
              expect(shape.x).toBeGreaterThanOrEqual(0);
              expect(shape.x).toBeLessThan(width);
              expect(shape.y).toBeGreaterThanOrEqual(row.top);
              expect(shape.y + NOTE_HEIGHT).toBeLessThanOrEqual(row.seamY);
            }
            for (const block of row.blocks) expect(block.y).toBeGreaterThan(row.seamY);
          }
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('tells how each chord is met: struck together, under a held note; a fill struck over it meets it, a grace note does not', () => {
    const song = DEMO_SONGS[3];
    const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
    const how = (view: SeamView): string =>
      layoutSeam(view, 740)
        .rows.flatMap((row) => row.changes)
        .map((change) => change.how[0])
        .join('');
    expect(a.parts.map((_, i) => how(viewOf(a, i)))).toEqual(
      'shssshss sssssss shssshss sssssss ssss sss shssshss sssssss'.split(' '),
    );
    const view = viewOf(a, 0);
    const [first, second] = view.changes;
    const over = { ...view.right[0], tick: second.change.tick };
    expect(first.change.tick).toBe(view.right[0].tick);
    expect(how({ ...view, right: [...view.right, over] })).toBe('ssssshss');
    expect(how({ ...view, right: [...view.right, { ...over, grace: true }] })).toBe('shssshss');
  });

  it('writes inversion and degree beside the name of each chord as far as there is room, the inversion first', () => {
    const wide = layoutOf(DEMO_SONGS[0], 4, 0, 1100).rows[0].changes;
    expect(wide.map((c) => [c.symbol, c.inversion, c.degree])).toEqual([
      ['Am', '1st inv.', 'i'],
      ['F', '2nd inv.', 'VI'],
      ['Dm', 'root', 'iv'],
      ['E7', '3rd inv.', 'V7'],
    ]);
    const seen = new Set<string>();
    for (const width of [290, 320, 350, 380, 420, 500, 620, 800])
      for (const song of DEMO_SONGS)
        for (const { changes } of layoutOf(song, 4, 1, width).rows)
          for (const { x, width: room, besideX, position, inversion, degree } of changes) {
            const end = besideX + 8 * (inversion.length + (degree ? degree.length + 2 : 0));
            if (inversion || degree) expect(end).toBeLessThanOrEqual(x + room);
            expect(['', position]).toContain(inversion);
            if (position && !inversion) expect(besideX + 8 * position.length).toBeGreaterThan(x + room);
            seen.add(`${Boolean(inversion)} ${Boolean(degree)}`);
          }
    expect(seen).toEqual(new Set(['true true', 'true false', 'false true', 'false false']));
  });

  it('says on the seam how a chord is met that the tune does not strike, clear of the counts beside it', () => {
    const seen = new Set<string>();
    const base = wholeBars(['C5', 'A4'], ['C', 'F']);
    const [first, second] = base.changes;
    const changes = [
      { ...first, length: 1920 },
      { ...first, id: 'held', symbol: 'G', tick: 1920, length: 1920 },
      { ...second, length: 1920 },
      { ...second, id: 'alone', symbol: 'G', tick: 5760, length: 1920 },
    ];
    const melody = [base.melody[0], { ...base.melody[1], length: 960 }];
    for (const width of [150, 200, 260, 350, 740])
      for (const { changes: shown, counts } of layoutOf({ ...base, melody, changes }, 4, 0, width).rows)
        for (const { told, how } of shown) {
          if (!told) continue;
          expect(how).toBe(told.text.includes('held') ? 'held' : 'rest');
          const before = counts.findLast(({ x }) => x < told.x);
          const after = counts.find(({ x }) => x > told.x);
          expect(told.x).toBeGreaterThan((before?.x ?? 0) + 10 * (before?.text.length ?? 0));
          expect(told.x + 8 * told.text.length).toBeLessThan(after?.x ?? width);
          seen.add(told.text);
        }
    expect([...seen].sort()).toEqual(['alone', 'held', 'left alone', 'under a held note']);
  });

  it('hangs a chord under the melody from its note, the tune in one row on top', () => {
    const under = applyEdit(DEMO_SONGS[0], { kind: 'choose', choices: { layout: 'under-melody' } });
    const arrangement = arrange(under, DEFAULT_PROFILE);
    const [row] = layoutSeam(viewOf(arrangement, 0), WIDTH).rows;
    const tune = new Set(
      arrangement.right.filter((n) => n.source === 'melody').map((n) => `${n.tick}:${n.midi}`),
    );
    const rows = new Set(row.notes.filter((n) => tune.has(`${n.tick}:${n.midi}`)).map((n) => n.y));
    expect(rows.size).toBe(1);
    for (const note of row.notes) expect(note.y).toBeGreaterThanOrEqual([...rows][0]);
  });

  it('names the inversion of a chord under the melody where the right hand strikes all of it there', () => {
    const base = wholeBars(['C5', 'A5'], ['C', 'F']);
    const song = { ...base, choices: { ...base.choices, layout: 'under-melody' as const, level: 4 } };
    const view = viewOf(arrange(song, DEFAULT_PROFILE), 0);
    const named = (right: SeamView['right']): string[] =>
      layoutSeam({ ...view, right, left: [] }, WIDTH)
        .rows.flatMap((row) => row.changes)
        .map(({ inversion }) => inversion);
    const [first, second] = view.changes;
    expect(first.layout).toBe('under-melody');
    const [one, other] = named(view.right);
    expect([one, other].every((name) => name.length > 0)).toBe(true);
    const lowest = (at: number): number => view.changes[at].voicing.keys[0];
    const without = view.right.filter((n) => !(n.tick === second.change.tick && n.midi === lowest(1)));
    expect(named(without)).toEqual([one, '']);
    const later = view.right.map((n) => (n.tick === first.change.tick ? { ...n, tick: n.tick + 480 } : n));
    expect(named(later)).toEqual(['', other]);
  });

  it('draws time in proportion within a row and pitch as height', () => {
    const [row] = layoutOf(DEMO_SONGS[0], 4).rows;
    const [a, b, c] = row.notes;
    expect((b.x - a.x) / (c.x - b.x)).toBeCloseTo((b.tick - a.tick) / (c.tick - b.tick), 6);
    const sorted = [...row.notes].sort((x, y) => x.midi - y.midi);
    for (let i = 1; i < sorted.length; i++) expect(sorted[i].y).toBeLessThanOrEqual(sorted[i - 1].y);
  });

  it('gives neighbouring letters room and wraps bars into rows where it must', () => {
    for (const width of [340, 740]) {
      for (const row of layoutOf(DEMO_SONGS[1], 5, 0, width).rows) {
        const xs = [...new Set(row.blocks.map((b) => b.x))].sort((p, q) => p - q);
        for (let i = 1; i < xs.length; i++) expect(xs[i] - xs[i - 1]).toBeGreaterThanOrEqual(18);
      }
    }
    expect(layoutOf(DEMO_SONGS[1], 5, 0, 340).rows.length).toBeGreaterThan(
      layoutOf(DEMO_SONGS[1], 5, 0, 740).rows.length,
    );
  });

  it('stitches at every meeting of the part, strong where a chord changes', () => {
    const [row] = layoutOf(DEMO_SONGS[0], 5).rows;
    expect(row.stitches.filter((s) => s.isStrong)).toHaveLength(4);
    expect(row.stitches.length).toBeGreaterThan(4);
    for (const { fromY, toY } of row.stitches) expect(fromY).toBeLessThan(toY);
  });

  it('counts only where something is struck', () => {
    const [row] = layoutOf(DEMO_SONGS[0], 4).rows;
    expect(row.counts.map((c) => c.text)).toEqual(['1', '3', '1', '3', '1', '2', '3', '1']);
  });

  it('names no inversion under a pattern that is built on the root', () => {
    const [rocking] = layoutOf(DEMO_SONGS[1], 5, 0, 1400).rows;
    expect(rocking.changes[0].inversion).toBe('');
    const [block] = layoutOf(DEMO_SONGS[1], 4, 0, 1400).rows;
    expect(block.changes.map((change) => change.inversion).slice(0, 2)).toEqual(['root', '1st inv.']);
  });

  it('keeps the words on one line, none over another, with fewer bars a row where they are long', () => {
    const long = (song: Song): Song => ({
      ...song,
      melody: song.melody.map((note, i) => ({
        ...note,
        lyric: note.grace ? null : { text: ['o', 'water', 'lanterns', 'by'][i % 4], syllabic: 'single' },
      })),
    });
    for (const song of DEMO_SONGS.map(long))
      for (const width of [340, 740, 1100]) {
        const arrangement = arrange(song, DEFAULT_PROFILE);
        arrangement.parts.forEach((_, part) => {
          const view = viewOf(arrangement, part);
          const { rows } = layoutSeam(view, width);
          expect(rows.flatMap((row) => row.lyrics)).toHaveLength(view.words.length);
          for (const { lyrics } of rows) {
            expect(new Set(lyrics.map((word) => word.y)).size).toBeLessThanOrEqual(1);
            lyrics.forEach(({ x, text }, i) => {
              const end = x + text.length * 9.4;
              expect(end).toBeLessThanOrEqual(lyrics[i + 1]?.x ?? Infinity);
            });
          }
        });
      }
    const bars = (song: Song): number => layoutOf(song, 4).rows[0].bars.length;
    expect(bars(long(DEMO_SONGS[1]))).toBeLessThan(bars({ ...DEMO_SONGS[1], words: [] }) + 1);
  });

  it('shows the melody alone on the Tune bench, every note a key to pick', () => {
    const a = arrange(DEMO_SONGS[0], DEFAULT_PROFILE);
    const view = viewOf(a, 0, true);
    const { rows } = layoutSeam(view, WIDTH);
    expect(rows.flatMap((r) => r.blocks)).toEqual([]);
    expect(rows.flatMap((r) => r.stitches)).toEqual([]);
    expect(rows.flatMap((r) => r.notes).map((n) => n.id)).toEqual([
      'n1',
      'n2',
      'n3',
      'n4',
      'n5',
      'n6',
      'n7',
      'n8',
    ]);
    expect(rows[0].height).toBeLessThan(layoutSeam(viewOf(a, 0), WIDTH).rows[0].height);
  });

  it('draws the right hand an octave away where it is learned there, and says so', () => {
    const lower = applyEdit(DEMO_SONGS[0], { kind: 'choose', choices: { shownOctave: -1 } });
    const [here, there] = [DEMO_SONGS[0], lower].map((song) => viewOf(arrange(song, DEFAULT_PROFILE), 0));
    expect(there.elsewhere).toBe('shown an octave lower');
    expect(there.right.map((n) => n.pitch.octave)).toEqual(here.right.map((n) => n.pitch.octave - 1));
    expect(there.right.map((n) => n.midi)).toEqual(here.right.map((n) => n.midi));
  });

  it('stacks the chords of an accompaniment for singing, none over another', () => {
    const song = applyEdit(DEMO_SONGS[1], { kind: 'choose', choices: { layout: 'singing' } });
    const view = viewOf(arrange(song, DEFAULT_PROFILE), 0);
    const { rows } = layoutSeam(view, WIDTH);
    const together = rows[0].notes.filter((n) => n.tick === 960);
    expect(together.length).toBeGreaterThan(2);
    const heights = together.map((n) => n.y).sort((a, b) => a - b);
    for (let i = 1; i < heights.length; i++) expect(heights[i] - heights[i - 1]).toBeGreaterThanOrEqual(27);
    expect(rows.flatMap((r) => r.changes).every((c) => c.how === 'struck')).toBe(true);
  });
});

describe('keys beside the tune', () => {
  it('hide no other and lie inside their lane, in every song and manner', () => {
    for (const song of DEMO_SONGS)
      for (const { id } of FULLER_MANNERS) {
        const choices = { ...song.choices, level: 6, fuller: id };
        const a = arrange({ ...song, choices }, DEFAULT_PROFILE, { withoutFingers: true });
        a.parts.forEach((_, i) => {
          const { rows, rightHeight } = layoutSeam(viewOf(a, i), 760);
          for (const row of rows) {
            const top = row.top + 20;
            for (const note of row.notes) {
              const told = [song.title, id, i, note.letter];
              expect([...told, note.y >= top - 1 && note.y + NOTE_HEIGHT <= top + rightHeight + 3]).toEqual([
                ...told,
                true,
              ]);
              const beside = row.notes.filter(
                (n) => n.tick === note.tick && n !== note && !n.isGrace && !note.isGrace,
              );
              for (const other of beside)
                expect([...told, Math.abs(other.y - note.y) >= NOTE_HEIGHT]).toEqual([...told, true]);
            }
            expect(new Set(row.notes.map((n) => n.id + n.tick)).size).toBe(row.notes.length);
          }
        });
      }
  });

  it('have their fingers inside, over or under them, none left out of one or two', () => {
    const a = arrange({ ...DEMO_SONGS[2], choices: { ...DEMO_SONGS[2].choices, level: 6 } }, DEFAULT_PROFILE);
    a.parts.forEach((_, i) => {
      const { rows } = layoutSeam(viewOf(a, i), 760);
      for (const { notes, blocks } of rows)
        for (const keys of [notes, blocks])
          for (const key of keys) {
            const together = keys.filter((other) => other.tick === key.tick).sort((x, y) => x.midi - y.midi);
            const at = together.indexOf(key);
            const wanted =
              key.width > (key.letter.length > 1 ? 54 : 44)
                ? 'in'
                : together.length === 1
                  ? keys === notes
                    ? 'over'
                    : 'under'
                  : at === together.length - 1
                    ? 'over'
                    : 'under';
            if (together.length < 3) expect(key.fingerAt).toBe(wanted);
          }
    });
  });
});

describe('outer notes', () => {
  it('are the highest of the right hand and the lowest of the left, one of each in every strike', () => {
    for (const song of DEMO_SONGS) {
      const choices = { ...song.choices, level: 6, fuller: 'chord' as const };
      const a = arrange({ ...song, choices }, DEFAULT_PROFILE, { withoutFingers: true });
      a.parts.forEach((_, i) => {
        for (const { notes, blocks } of layoutSeam(viewOf(a, i), 760).rows)
          for (const [keys, isOuter] of [
            [notes.filter(({ isGrace }) => !isGrace), (list: number[]) => Math.max(...list)],
            [blocks, (list: number[]) => Math.min(...list)],
          ] as const)
            for (const tick of new Set(keys.map((key) => key.tick))) {
              const strike = keys.filter((key) => key.tick === tick);
              const outer = strike.filter(({ isInner }) => !isInner);
              expect(outer.map(({ midi }) => midi)).toEqual([isOuter(strike.map(({ midi }) => midi))]);
            }
      });
    }
  });
});
