import * as z from 'zod';
import '../schemas';

/** Papers a printer takes, in millimetres, upright. */
export const PAPERS = {
  a4: { name: 'A4', width: 210, height: 297 },
  letter: { name: 'Letter', width: 215.9, height: 279.4 },
} as const;
export type PaperSize = keyof typeof PAPERS;

/** How pages are laid out. */
export const paperSchema = z.object({
  size: z.enum(['a4', 'letter']),
  isAcross: z.boolean(),
  /** Twice as large: read from a music desk, a metre away; no letter is smaller than 18 points. */
  isDesk: z.boolean(),
  /** A wider margin at the left, to be bound or put into a folder. */
  isBound: z.boolean(),
  /** Fingers on staves: all, those where the hand moves or a phrase begins, or none. */
  fingers: z.enum(['all', 'moves', 'none']).default('all'),
  /** What comes back alike on staves: between repeat signs, or written out. */
  repeats: z.enum(['signs', 'written-out']).default('signs'),
  /** Slurs over the phrases of the tune, on staves. */
  hasSlurs: z.boolean().default(false),
});
export type Paper = z.infer<typeof paperSchema>;

export const DEFAULT_PAPER: Paper = {
  size: 'a4',
  isAcross: false,
  isDesk: false,
  isBound: true,
  fingers: 'all',
  repeats: 'signs',
  hasSlurs: false,
};

/** All that is drawn is measured in units: a millimetre, or two at desk size. */
const DESK_SCALE = 2;
const [MARGIN, BOUND_MARGIN, HEAD, FOOT] = [14, 24, 9, 10];

/** A page in units: its whole size, and the room between the margins. */
export interface Room {
  readonly scale: number;
  readonly pageWidth: number;
  readonly pageHeight: number;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** Width and height of the paper as it lies, in millimetres. */
export function paperMm({ size, isAcross }: Paper): readonly [width: number, height: number] {
  const { width, height } = PAPERS[size];
  return isAcross ? [height, width] : [width, height];
}

/** Where things may stand on a page; margins are of the paper, whatever the size of what is drawn. */
export function roomOn(paper: Paper): Room {
  const { isDesk, isBound } = paper;
  const scale = isDesk ? DESK_SCALE : 1;
  const [pageWidth, pageHeight] = paperMm(paper).map((mm) => mm / scale);
  const [left, right] = [(isBound ? BOUND_MARGIN : MARGIN) / scale, MARGIN / scale];
  const top = MARGIN / scale + HEAD;
  return {
    scale,
    pageWidth,
    pageHeight,
    left,
    top,
    width: pageWidth - left - right,
    height: pageHeight - top - MARGIN / scale - FOOT,
  };
}
