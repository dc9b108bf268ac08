import type { Opening, Proposal } from './proposal';
import type { FillTask } from './task';
import { bassWalk } from './walk';

/** One kind of fill: what it proposes at an opening, or null where it has no room there. */
export type FillKind = (task: FillTask, opening: Opening) => Proposal | null;

/** Every kind of fill; a new one is a file beside walk.ts and a row here. */
export const FILL_KINDS: readonly FillKind[] = [bassWalk];
