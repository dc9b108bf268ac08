import type { Hand } from '../../hands';
import type { Opening, Proposal } from '../proposal';
import type { Still } from '../stills';
import type { FillTask } from '../task';
import { DRESSINGS, dressings } from './dressing';
import { echo } from './echo';
import { innerLine } from './innerLine';
import { leftTune } from './leftTune';
import { lowEnd } from './lowEnd';
import { graceNote, shortTrill, turn } from './ornaments';
import { passingChord } from './passing';
import { run } from './run';
import { suspendedClose } from './suspension';
import { sweep } from './sweep';
import { bassWalk } from './walk';

/** One kind of fill: what it proposes in a part, every way it can be played at every place that has room for it. */
export interface FillKind {
  readonly kind: string;
  readonly hand: Hand;
  /** What its ids begin with. */
  readonly prefix: string;
  /** The right hand lets go of what it holds where such a fill begins. */
  readonly letsGo: boolean;
  readonly propose: (task: FillTask, openings: readonly Opening[], stills: readonly Still[]) => Proposal[];
}

type ByOpening = (task: FillTask, opening: Opening) => Proposal | readonly Proposal[] | null;
type ByStill = (task: FillTask, still: Still) => Proposal[];

function inLeft(kind: string, prefix: string, propose: ByOpening): FillKind {
  return {
    kind,
    prefix,
    hand: 'left',
    letsGo: false,
    propose: (task, openings) => openings.flatMap((opening) => propose(task, opening) ?? []),
  };
}

function inRight(kind: string, prefix: string, letsGo: boolean, propose: ByStill): FillKind {
  return {
    kind,
    prefix,
    hand: 'right',
    letsGo,
    propose: (task, _, stills) => stills.flatMap((still) => propose(task, still)),
  };
}

/** Every kind of fill; a new one is a file in this folder and a row here. */
export const FILL_KINDS: readonly FillKind[] = [
  inLeft('bass walk', 'walk', bassWalk),
  inLeft('passing chord', 'passing', passingChord),
  inLeft('suspended close', 'suspension', suspendedClose),
  inLeft('low last note', 'low-end', lowEnd),
  {
    ...inRight('tune in the left hand', 'left-tune', false, leftTune),
    hand: 'left',
  },
  inRight('scale run', 'run', true, run),
  inRight('echo', 'echo', true, echo),
  inRight('broken-chord sweep', 'sweep', true, sweep),
  inRight('moving inner voice', 'inner', false, innerLine),
  inRight('grace note', 'grace', false, graceNote),
  inRight('short trill', 'trill', true, shortTrill),
  inRight('turn', 'turn', true, turn),
  ...DRESSINGS.map((kind): FillKind => ({
    kind,
    prefix: kind.replaceAll(' ', '-'),
    hand: 'right',
    letsGo: false,
    propose: (task) => dressings(task, kind),
  })),
];

/** The kind an id belongs to; undefined for one of no kind known here. */
export function kindOfId(id: string): FillKind | undefined {
  const prefix = id.replace(/[@:].*$/, '');
  return FILL_KINDS.find((row) => row.prefix === prefix);
}
