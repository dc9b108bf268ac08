import type { ArrangedChange, Arrangement } from '../arrangement';
import { fingerPart, FROM_NOWHERE } from '../fingering';
import type { HandNote } from '../hands';
import { nameKeys } from '../harmony';
import { centreMm, classNameOf, isBlack, symbolOf, typeset, WHITE_MM } from '../music';
import { CHORDS_TO_COME, voicingName } from '../words';
import { box, disc, text } from './draw';
import { type Block, paragraph } from './flow';
import type { MakeSheet } from './sheet';
import { cutTo, SIZE } from './text';

/** A chord as it is held, once, whatever comes back: how often, and its fingers where they are known. */
interface Held {
  readonly change: ArrangedChange;
  readonly fingers: Fingers;
  readonly times: number;
  /** The song strikes it so. */
  readonly isStruck: boolean;
}

/** Two rows stand on every paper in large print. */
const [CARD_WIDTH, CARD_HEIGHT, GAP] = [56, 32, 4];

/**
 * Each chord of the song once, in the order it comes as far as cards fit, in each position it is held in: its name, other
 * names, keys on a keyboard, fingers.
 */
export const chordLegend: MakeSheet = ({ arrangement, room }) => {
  const held = heldIn(arrangement);
  if (held.length === 0) return paragraph('There are no chords in this song yet.', room.width);
  const perRow = Math.max(1, Math.floor((room.width + GAP) / (CARD_WIDTH + GAP)));
  const width = (room.width - GAP * (perRow - 1)) / perRow;
  const isSilent = arrangement.left.length === 0;
  return [
    ...(isSilent ? paragraph(CHORDS_TO_COME, room.width, { staysWithNext: true }) : []),
    ...rowsOfCards(held, perRow).map((row): Block => ({
      height: CARD_HEIGHT,
      above: GAP,
      stretch: GAP,
      staysWithNext: false,
      part: null,
      draw: (x, y) => {
        let at = 0;
        return row
          .map((positions) => {
            const left = x + at * (width + GAP);
            at += positions.length;
            return card(positions, left, y, width);
          })
          .join('');
      },
    })),
  ];
};

/** Cards in rows of so many positions: those of one chord on one card, in the first row that has room for it. */
function rowsOfCards(held: readonly Held[], perRow: number): Held[][][] {
  const chords = new Map<string, Held[]>();
  for (const one of held) {
    const name = symbolOf(one.change.chord);
    chords.set(name, [...(chords.get(name) ?? []), one]);
  }
  const rows: Held[][][] = [];
  for (const positions of chords.values())
    for (let from = 0; from < positions.length; from += perRow) {
      const own = positions.slice(from, from + perRow);
      const row = rows.find((cards) => cards.flat().length + own.length <= perRow);
      if (row) row.push(own);
      else rows.push([own]);
    }
  return rows;
}

function heldIn(arrangement: Arrangement): Held[] {
  const all = new Map<string, Held>();
  for (const change of arrangement.changes) {
    const { keys } = change.voicing;
    if (keys.length === 0) continue;
    const name = `${symbolOf(change.chord)} ${keys.join()}`;
    const known = all.get(name);
    const struck = known?.isStruck ? null : fingersStruck(arrangement, change);
    if (!known) {
      const fingers = struck ?? fingersAlone(arrangement, change);
      all.set(name, { change, fingers, isStruck: struck !== null, times: 1 });
    } else
      all.set(name, {
        ...known,
        ...(struck ? { fingers: struck, isStruck: true } : {}),
        times: known.times + 1,
      });
  }
  return [...all.values()];
}

type Fingers = ReadonlyMap<number, number>;

/** The fingers with which the whole chord is struck in the song; null where it is broken up, or has none. */
function fingersStruck({ left }: Arrangement, { change, voicing }: ArrangedChange): Fingers | null {
  const struck = left.filter(({ from, tick }) => from === change.id && tick === change.tick);
  const fingers = new Map(struck.flatMap(({ midi, finger }) => (finger === null ? [] : [[midi, finger]])));
  return fingers.size === voicing.keys.length && voicing.keys.every((key) => fingers.has(key))
    ? fingers
    : null;
}

/** The fingers of a chord by itself, as the left hand would hold it; none where it cannot. */
function fingersAlone({ profile, song }: Arrangement, { change, voicing, pitches }: ArrangedChange): Fingers {
  const notes = voicing.keys.map((midi, i): HandNote => ({
    hand: 'left',
    tick: 0,
    length: change.length,
    midi,
    pitch: pitches[i],
    source: 'chord',
    from: change.id,
    lyric: null,
    grace: false,
    finger: null,
  }));
  const fingered = fingerPart(
    notes,
    'left',
    profile.leftReach,
    FROM_NOWHERE,
    [],
    () => null,
    song.choices.thumb,
  ).notes;
  return new Map(fingered.flatMap(({ midi, finger }) => (finger === null ? [] : [[midi, finger]])));
}

/** A chord with its name, and each position it is held in. */
function card(positions: readonly Held[], x: number, y: number, width: number): string {
  const all = width * positions.length + GAP * (positions.length - 1);
  const name = typeset(symbolOf(positions[0].change.chord));
  return [
    box({ x, y, width: all, height: CARD_HEIGHT }, { pen: 0.25, round: 1.5 }),
    text(x + 1.5, y + 6, cutTo(name, 'bold', SIZE.head, all - 3), { face: 'bold', size: SIZE.head }),
    ...positions.map((held, i) => position(held, x + i * (width + GAP), y, width)),
  ].join('');
}

function position({ change, fingers, times }: Held, x: number, y: number, width: number): string {
  const { voicing, chord, pitches, key } = change;
  const own = symbolOf(chord);
  const others = nameKeys(voicing.keys, key)
    .filter(({ leftOut }) => leftOut.length === 0)
    .map((name) => symbolOf(name.chord))
    .filter((symbol, i, list) => symbol !== own && list.indexOf(symbol) === i)
    .slice(0, 2)
    .map(typeset);
  const inner = width - 3;
  const fit = (what: string, size: number, face: 'regular' | 'bold' = 'regular'): string =>
    cutTo(what, face, size, inner);
  const name = voicingName(change).split(', ').slice(1).join(', ');
  const often = times > 1 ? `, ${times} times` : '';
  return [
    text(x + 1.5, y + 10.6, fit(`${name}${often}`, SIZE.small), { size: SIZE.small }),
    text(x + 1.5, y + 15, fit(pitches.map((p) => typeset(classNameOf(p))).join(' '), SIZE.body, 'bold'), {
      face: 'bold',
    }),
    keyboard(voicing.keys, fingers, x + 1.5, y + 17, inner),
    text(x + width - 1.5, y + 15, others.length > 0 ? `also ${others.join(', ')}` : '', {
      size: SIZE.small,
      anchor: 'end',
    }),
  ].join('');
}

const [KEY_HEIGHT, WIDEST_KEY] = [13, 5.4];

/** Two octaves and more of a keyboard, from the C below the lowest key, with the keys held marked by their fingers. */
function keyboard(
  keys: readonly number[],
  fingers: ReadonlyMap<number, number>,
  x: number,
  y: number,
  width: number,
): string {
  const from = Math.floor(keys[0] / 12) * 12;
  const octaves = Math.max(2, Math.ceil((keys[keys.length - 1] + 1 - from) / 12));
  const white = Math.min(WIDEST_KEY, width / (octaves * 7));
  const middleOf = (key: number): number =>
    x + white / 2 + ((centreMm(key) - centreMm(from)) * white) / WHITE_MM;
  const all = Array.from({ length: octaves * 12 }, (_, i) => from + i);
  const whites = all
    .filter((key) => !isBlack(key))
    .map((key) => box({ x: middleOf(key) - white / 2, y, width: white, height: KEY_HEIGHT }, { pen: 0.2 }));
  const blacks = all
    .filter(isBlack)
    .map((key) =>
      box(
        { x: middleOf(key) - white * 0.3, y, width: white * 0.6, height: KEY_HEIGHT * 0.6 },
        { fill: '#333', pen: 0.2 },
      ),
    );
  const marks = keys.map((key) => {
    const middle = middleOf(key);
    const at = y + (isBlack(key) ? KEY_HEIGHT * 0.42 : KEY_HEIGHT * 0.82);
    const finger = fingers.get(key);
    return finger === undefined
      ? disc(middle, at, white * 0.34, isBlack(key) ? '#fff' : '#000')
      : disc(middle, at, Math.min(2.1, white * 0.46), '#fff') +
          text(middle, at + Math.min(white, 4.6) * 0.28, String(finger), {
            face: 'bold',
            size: Math.min(white, 4.6) * 0.8,
            anchor: 'middle',
          });
  });
  return [...whites, ...blacks, ...marks].join('');
}
