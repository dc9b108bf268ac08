// Speed and movement against the promises: npm run bench. Times are medians on this machine; read the ratios.
import { contextOf } from '../core/arrange/context';
import { partsOfSong } from '../core/arrange/part';
import { fingerPart } from '../core/fingering';
import { writeMidi, writeMusicXml, writeProject, totalsOf } from '../core/formats';
import { loudnessIn } from '../core/arrangement';
import { relateHand } from '../core/joining';
import { Memory } from '../core/memory';
import { writeWalkthrough } from '../core/words';
import { arrange } from '../core/arrange';
import type { Chord } from '../core/music';
import { partsOf } from '../core/parts';
import { perform } from '../core/performance';
import { DEFAULT_PROFILE, unfold, type Song } from '../core/song';
import { randomSong } from '../core/testing';
import { movementOf, rootPositionLine, leftBounds, voiceParts } from '../core/voicing';
import { nearestLine } from '../core/voicing/baseline';
import { OptionFinder } from '../core/voicing/bounds';
import { DEMO_SONGS } from '../demo/songs';
import { arrangingFigures } from './bench-arranging';
import { browserFigures } from './bench-browser';
import { chordFigures } from './bench-chords';
import { editShares } from './bench-edits';
import { fillFigures } from './bench-fills';
import { hearingFigures } from './bench-hearing';
import { listeningFigures } from './bench-listening';
import { practiceFigures } from './bench-practise';
import { cutFigures } from './bench-parts';
import { tuneFigures } from './bench-tune';
import { voicingFigures } from './bench-voicing';
import { copyOf, median, prepared } from './timing';

// npm run bench -- listening: how takes are judged, alone.
if (process.argv.includes('listening')) {
  listeningFigures();
  hearingFigures();
  process.exit(0);
}

interface Figures {
  readonly name: string;
  readonly ms: number;
}

/** Runs a generator to its end. */
function ended<T>(slices: Generator<unknown, T>): T {
  for (;;) {
    const slice = slices.next();
    if (slice.done) return slice.value;
  }
}

/** Each stage by itself, on what the stages before it give, with nothing remembered. */
function stagesOf(song: Song): Figures[] {
  const contextOfCopy = () => ended(contextOf(copyOf(song), DEFAULT_PROFILE, true));
  const whole = arrange(song, DEFAULT_PROFILE);
  const { played, parts } = whole;
  const starts = parts.map((part) => part.fromTick);
  let turn = 0;
  const fingers = (hand: 'right' | 'left') =>
    median(() => whole.arranged.map((part) => part && fingerPart(part[hand], hand, 8, [], [], () => null)));
  return [
    { name: 'unfold', ms: median(() => unfold(copyOf(song))) },
    {
      name: 'parts',
      ms: prepared(
        () => unfold(copyOf(song)),
        (fresh) => partsOf(song, fresh),
      ),
    },
    // Another song each time: nothing is remembered of it.
    {
      name: 'voicing, all anew',
      ms: median(() => voiceParts({ ...song, id: `voiced ${turn++}` }, DEFAULT_PROFILE, played, parts)),
    },
    {
      name: 'joining',
      ms: prepared(contextOfCopy, (context) => {
        const arrangePart = partsOfSong(context);
        return parts.map((_, index) => arrangePart(index));
      }),
    },
    {
      name: 'relations of a hand',
      ms: median(() => relateHand(played, starts, [...whole.right])),
    },
    {
      name: 'performance',
      ms: median(() =>
        perform({
          song,
          played,
          loudness: loudnessIn(whole),
          right: whole.right,
          left: whole.left,
          pedalAt: () => 'change',
          partAt: () => 0,
        }),
      ),
    },
    {
      name: 'all without fingering',
      ms: prepared(
        () => copyOf(song),
        (copy) => arrange(copy, DEFAULT_PROFILE, { withoutFingers: true }),
      ),
    },
    { name: 'fingering, right hand', ms: fingers('right') },
    { name: 'fingering, left hand', ms: fingers('left') },
    { name: 'writing MusicXML', ms: median(() => writeMusicXml(whole)) },
    { name: 'writing MIDI', ms: median(() => writeMidi(whole)) },
    { name: 'writing words', ms: median(() => writeWalkthrough(whole)) },
    { name: 'writing a project', ms: median(() => writeProject({ song, profile: DEFAULT_PROFILE })) },
  ];
}

/** Total semitones of ours, of greedy nearest voicing and of root position, from the same first voicing. */
function movements(song: Song): Record<string, number> {
  const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
  const totals = totalsOf(a);
  const finder = new OptionFinder(DEFAULT_PROFILE, new Memory());
  const lists = a.changes.map(({ change, chord }) => {
    const melody = a.played.melody.filter(
      (n) => n.tick < change.tick + change.length && n.tick + n.length > change.tick,
    );
    return (
      finder.under(change.symbol, chord as Chord, 'block', change.length, melody, change.tick)?.candidates ??
      []
    );
  });
  const start = a.changes[0].voicing;
  const bounds = leftBounds(DEFAULT_PROFILE, 128);
  return {
    'pure optimum': totals.optimumSemitones,
    ours: totals.leftSemitones,
    greedy: movementOf(nearestLine(lists, start)).semitones,
    'root position': movementOf(
      rootPositionLine(
        a.changes.map((c) => c.chord),
        bounds,
        start,
      ),
    ).semitones,
  };
}

const small = randomSong({ bars: 200, changesPerBar: 1, seed: 11 });
const large = randomSong({ bars: 1000, changesPerBar: 2, seed: 12 });
console.log(
  `Generated: ${small.changes.length} changes, ${small.melody.length} notes; and ${large.changes.length} changes, ${large.melody.length} notes.`,
);
const [few, many] = [stagesOf(small), stagesOf(large)];
console.log('\nstage                      200 changes   2,000 changes   ratio');
few.forEach(({ name, ms }, i) => {
  console.log(
    `${name.padEnd(25)} ${ms.toFixed(1).padStart(9)} ms ${many[i].ms.toFixed(1).padStart(12)} ms ${(many[i].ms / ms).toFixed(1).padStart(7)}`,
  );
});
console.log('\nsemitones                  pure optimum      ours    greedy   root position');
for (const song of [...DEMO_SONGS, small, large]) {
  const m = movements(song);
  const cells = ['pure optimum', 'ours', 'greedy', 'root position'].map((k) =>
    String(m[k]).padStart(k === 'ours' || k === 'greedy' ? 10 : 14),
  );
  console.log(song.title.padEnd(25), cells.join(''));
}
voicingFigures();
editShares();
cutFigures();
chordFigures();
fillFigures();
arrangingFigures();
practiceFigures();
listeningFigures();
hearingFigures();
tuneFigures();
if (!process.argv.includes('--core')) await browserFigures();
