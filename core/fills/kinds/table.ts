import type { Hand } from '../../hands';
import type { Opening, Proposal } from '../proposal';
import type { Still } from '../stills';
import type { FillTask } from '../task';
import { answer } from './answer';
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
interface FillKind {
  /** What its ids begin with. */
  readonly kind: string;
  readonly hand: Hand;
  /** The right hand lets go of what it holds where such a fill begins. */
  readonly letsGo: boolean;
  /** It is played unasked, as much as the measure says; the others are there to be taken. */
  readonly isUnasked?: true;
  readonly propose: (task: FillTask, openings: readonly Opening[], stills: readonly Still[]) => Proposal[];
}

type ByOpening = (task: FillTask, opening: Opening) => Proposal | readonly Proposal[] | null;
type ByStill = (task: FillTask, still: Still) => Proposal[];

function inLeft(kind: string, propose: ByOpening): FillKind {
  return {
    kind,
    hand: 'left',
    letsGo: false,
    propose: (task, openings) => openings.flatMap((opening) => propose(task, opening) ?? []),
  };
}

function inRight(kind: string, letsGo: boolean, propose: ByStill): FillKind {
  return {
    kind,
    hand: 'right',
    letsGo,
    propose: (task, _, stills) => stills.flatMap((still) => propose(task, still)),
  };
}

/** Every kind of fill; a new one is a file in this folder and a row here. */
export const FILL_KINDS: readonly FillKind[] = [
  { ...inLeft('walk', bassWalk), isUnasked: true },
  inLeft('passing', passingChord),
  inLeft('suspension', suspendedClose),
  inLeft('low-end', lowEnd),
  {
    ...inRight('left-tune', false, leftTune),
    hand: 'left',
  },
  { ...inRight('answer', true, answer), isUnasked: true },
  inRight('run', true, run),
  inRight('echo', true, echo),
  inRight('sweep', true, sweep),
  inRight('inner', false, innerLine),
  inRight('grace', false, graceNote),
  inRight('trill', true, shortTrill),
  inRight('turn', true, turn),
  ...DRESSINGS.map((kind): FillKind => ({
    kind,
    hand: 'right',
    letsGo: false,
    propose: (task) => dressings(task, kind),
  })),
];

/** The kind an id belongs to; undefined for one of no kind known here. */
export function kindOfId(id: string): FillKind | undefined {
  const named = id.split(/[@:]/, 1)[0];
  return FILL_KINDS.find(({ kind }) => kind === named);
}
