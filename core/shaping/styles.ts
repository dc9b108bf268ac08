import type { Choices } from '../song';

/**
 * A bar of a figure in words, split evenly among them: B the bass, b the second bass of the same chord, w a step that leads
 * to the next bass, D the bass with its fifth, x the upper notes together, 1 2 3 one of them from below, k3 k5 k7 a member of
 * the chord above its bass (walking); `B+x` both at once, `_` what was struck goes on, `~x` the upper notes while the bass is
 * held, `C` the chord the song closes on. Figures in threes go group by group between `/`.
 */
type FigureText = string;

/** How a figure goes in bars of two, three and four beats, and in groups of three eighths. */
export interface FigureRow {
  readonly two: FigureText;
  readonly three: FigureText;
  readonly four: FigureText;
  readonly threes: FigureText;
  /** Upper notes above the bass. */
  readonly upper: 2 | 3;
}

/** A general manner of playing: what the left hand does quietly, in a contrasting strain and in full. */
export interface Style {
  readonly id: string;
  readonly name: string;
  readonly told: string;
  readonly quiet: FigureRow;
  readonly contrast: FigureRow;
  readonly full: FigureRow;
  /** Lowest and highest bass, and where it lies best (MIDI). */
  readonly bass: readonly [low: number, high: number, centre: number];
  /** Its upper notes may go down to A2: it is broken, wide and under the pedal. */
  readonly isOpen?: true;
  /** The hand stays in its place: bass and upper notes lie within an octave. */
  readonly isClose?: true;
  /** A chord under each note of the tune that falls on a beat. */
  readonly onTunesBeats?: true;
  /** A walking bass may take steps outside the scale. */
  readonly isChromatic?: true;
  /** Manners the right hand takes rather than others of the same strength, and those it does not take. */
  readonly rather?: readonly Company[];
  readonly never?: readonly Company[];
  /** Nothing answers its tune in the right hand unasked. */
  readonly isUnanswered?: true;
  /** The kind of ornament that belongs to it, played unasked where much is filled in. */
  readonly ornament?: 'grace' | 'trill' | 'turn';
  /** Chords over a bass struck alone are let go at once. */
  readonly isShort?: true;
  /** How it is pedalled; absent: with each chord. */
  readonly pedal?: Exclude<Choices['pedal'], 'auto'>;
  /** Its last two bars slow down. */
  readonly slows?: true;
  /** Its last bar, where the tune leaves it a whole one; absent: the closing chord, held. */
  readonly close?: Pick<FigureRow, 'two' | 'four'>;
  /** It closes on root, fifth and octave, without a third. */
  readonly closesOpen?: true;
}

/** How the right hand goes with its tune through a phrase. */
export const COMPANIES = ['alone', 'thirds', 'sixths', 'chord', 'full', 'octave', 'octave-above'] as const;
export type Company = (typeof COMPANIES)[number];

const USUAL = [40, 53, 45] as const;
const DEEP = [38, 53, 44] as const;

const row = (two: string, three: string, four: string, threes: string, upper: 2 | 3 = 2): FigureRow => ({
  two,
  three,
  four,
  threes,
  upper,
});

const HELD = row('B ~x', 'B ~x _', 'B ~x b ~x', 'B _ ~x / b _ ~x');
const WALTZ = 'B x x';
const ROLLING = row('B 1 2 3', 'B 1 2 3 _ _', 'B 1 2 3 _ _ _ _', 'B 1 2 / 3 _ _ / b _ _', 3);
const TURNING = row('B 1 2 1', 'B 1 2 3 2 1', 'B 1 2 3 2 1 2 1', 'B 1 2 / 3 2 1 / b _ _', 3);

/**
 * The styles, each with its figures. Source: general manners of playing a tune at the piano, as they are commonly taught;
 * the names are those of the trade.
 */
export const STYLES: readonly Style[] = [
  {
    id: 'hymn',
    name: 'Hymn',
    told: 'a chord under each beat of the tune, within an octave of its bass',
    quiet: row('B+x', 'B+x', 'B+x', 'B+x'),
    contrast: row('B+x', 'B+x', 'B+x', 'B+x'),
    full: row('B+x', 'B+x', 'B+x', 'B+x', 3),
    bass: [43, 55, 48],
    rather: ['chord'],
    never: ['octave-above'],
    isUnanswered: true,
    onTunesBeats: true,
  },
  {
    id: 'ballad',
    name: 'Ballad',
    told: 'a wide broken chord, held; fuller, it turns back and goes on',
    quiet: ROLLING,
    contrast: TURNING,
    full: row('B 1 x 1', 'B 1 2 x 2 1', 'B 1 2 3 b 1 2 3', 'B 1 2 / b 3 2', 3),
    bass: DEEP,
    rather: ['sixths', 'octave'],
    slows: true,
    isOpen: true,
  },
  {
    id: 'lullaby',
    name: 'Lullaby',
    told: 'rocking in threes, low and soft',
    quiet: { ...ROLLING, three: 'B 1 2', two: 'B 1 2 1' },
    contrast: { ...TURNING, three: 'B ~x ~x' },
    full: row('B 1 2 1', 'B 1 2 3 2 1', 'B 1 2 3 2 1 2 1', 'B 1 2 / b 3 2', 3),
    bass: DEEP,
    rather: ['thirds'],
    never: ['octave', 'octave-above'],
    slows: true,
    isOpen: true,
  },
  {
    id: 'march',
    name: 'March',
    told: 'bass and chord by turns, short; the bass steps at closes',
    quiet: row('B x b x', WALTZ, 'B x b x', 'B _ x / b _ x'),
    contrast: row('B _ x _', 'B ~x _', 'B ~x b ~x', 'B _ _ / x _ _'),
    full: row('B x x x', WALTZ, 'B x x x b x x x', 'B x x / b x x', 3),
    bass: USUAL,
    rather: ['octave', 'chord'],
    isShort: true,
    pedal: 'none',
    close: { two: 'C C', four: 'C _ C _' },
  },
  {
    id: 'waltz',
    name: 'Waltz',
    told: 'a bass and two chords, the bass stepping where phrases close',
    quiet: row('B x', WALTZ, 'B x b x', 'B _ x / b _ x'),
    contrast: row('B ~x', 'B ~x _', 'B ~x b ~x', 'B _ ~x / b _ ~x'),
    full: row('B x', WALTZ, 'B x b x', 'B x x / b x x', 3),
    bass: USUAL,
    rather: ['sixths'],
  },
  {
    id: 'jig',
    name: 'Jig',
    told: 'a bass and a light chord before the next beat',
    quiet: row('B x b x', WALTZ, 'B x b x', 'B _ x / b _ x'),
    contrast: row('B _ x _', 'B ~x _', 'B ~x b ~x', 'B _ _ / x _ _'),
    full: row('B x b x', WALTZ, 'B x b x', 'B x x / b x x', 3),
    bass: USUAL,
    rather: ['thirds'],
    never: ['full', 'octave', 'octave-above'],
    ornament: 'grace',
    isShort: true,
    pedal: 'none',
  },
  {
    id: 'stride',
    name: 'Stride',
    told: 'a low bass and the chord above it, striding to and fro',
    quiet: row('B x b x', WALTZ, 'B x b x', 'B _ x / b _ x'),
    contrast: row('B x x w', 'B x w', 'B x x w', 'B _ x / x _ w'),
    full: row('B x b x', WALTZ, 'B x b x', 'B x x / b x x', 3),
    bass: USUAL,
    rather: ['octave', 'sixths'],
    isShort: true,
    pedal: 'none',
    close: { two: 'C b C _', four: 'C b C _' },
    isChromatic: true,
  },
  {
    id: 'habanera',
    name: 'Habanera',
    told: 'a dotted bass and two even notes after it',
    quiet: row('B _ _ 1 2 _ 1 _', 'B _ _ 1 2 _', 'B _ _ 1 2 _ 1 _', 'B _ 1 / 2 _ 1'),
    contrast: row('B _ _ 1 x _ x _', 'B _ _ 1 x _', 'B _ _ 1 x _ x _', 'B _ 1 / x _ x'),
    full: row('B _ _ 1 x _ x _', 'B _ _ 1 x _', 'B _ _ 1 x _ x _', 'B _ 1 / x _ x', 3),
    bass: DEEP,
    rather: ['thirds', 'sixths'],
    ornament: 'turn',
    close: { two: 'C C', four: 'C _ C _' },
  },
  {
    id: 'blues',
    name: 'Blues',
    told: 'chords over two basses a bar; fuller, the bass walks through the chord',
    quiet: HELD,
    contrast: row('B x', 'B x w', 'B x b w', 'B _ x / b _ w'),
    full: row('B k3 k5 k7', 'B k3 k5', 'B k3 k5 k7', 'B _ k3 / k5 _ k7'),
    bass: USUAL,
    rather: ['sixths'],
    ornament: 'grace',
    pedal: 'none',
    isChromatic: true,
  },
  {
    id: 'swing',
    name: 'Swing',
    told: 'two basses a bar with the telling notes held above; fuller, the bass walks',
    quiet: HELD,
    contrast: row('B ~x', 'B ~x _', 'B _ _ ~x _ _ _ _', 'B _ ~x / _ _ _'),
    full: row('B x', 'B x w', 'B x b w', 'B _ x / b _ w'),
    bass: USUAL,
    rather: ['chord'],
    pedal: 'none',
    isChromatic: true,
  },
  {
    id: 'drone',
    name: 'Drone',
    told: 'root and fifth held, the chord above them on the light beats',
    quiet: row('D ~x', 'D ~x _', 'D ~x _ ~x', 'D _ ~x / _ _ ~x'),
    contrast: row('D x', 'D _ x', 'D _ x _', 'D _ _ / x _ _'),
    full: row('D x', 'D x x', 'D x D x', 'D _ x / D _ x', 3),
    bass: [36, 48, 43],
    rather: ['thirds', 'sixths'],
    ornament: 'grace',
    closesOpen: true,
  },
  {
    id: 'classical',
    name: 'Broken chords',
    told: 'the chord broken closely, note by note, in the classical manner',
    quiet: row('B 2 1 2', 'B 1 2', 'B 2 1 2 B 2 1 2', 'B 1 2 / B 1 2'),
    contrast: row('B x b x', WALTZ, 'B x b x', 'B _ x / b _ x'),
    full: row('B 2 1 2 b 2 1 2', 'B 2 1 2 1 2', 'B 2 1 2 b 2 1 2', 'B 1 2 / b 1 2'),
    bass: [43, 57, 50],
    rather: ['thirds', 'sixths'],
    ornament: 'trill',
    close: { two: 'C _ C _', four: 'C C C _' },
    isClose: true,
  },
  {
    id: 'still',
    name: 'Still',
    told: 'a low bass and two notes above it, left to ring',
    quiet: row('B 1 2 _', 'B 1 2 _ _ _', 'B 1 2 _ _ _ _ _', 'B 1 2 / _ _ _'),
    contrast: row('B 1 2 _', 'B 1 2 _ _ _', 'B _ 1 _ 2 _ _ _', 'B 1 2 / _ _ _'),
    full: ROLLING,
    bass: DEEP,
    slows: true,
    pedal: 'held',
    isOpen: true,
  },
  {
    id: 'groups',
    name: 'Groups',
    told: 'a bass at each group of the bar, the chord on its other beats',
    quiet: row('B x', WALTZ, 'B x b x', 'B x x / b x x'),
    contrast: row('B 1', 'B 1 2', 'B 1 2 1', 'B 1 2 / b 1 2'),
    full: row('B x', WALTZ, 'B x b x', 'B x x / b x x', 3),
    bass: USUAL,
  },
  {
    id: 'song',
    name: 'Song',
    told: 'basses with the chord held above; fuller, the chord is broken',
    quiet: HELD,
    contrast: row('B 1 2 1', 'B 1 2 _ 1 _', 'B 1 2 1', 'B 1 2 / b _ _'),
    full: row('B 1 2 1', 'B 1 2 1 2 1', 'B 1 2 1 b 1 2 1', 'B 1 2 / b 1 2'),
    bass: USUAL,
  },
];

/** A style by its id; the plain song where there is none of that id. */
export function styleOf(id: string): Style {
  return STYLES.find((style) => style.id === id) ?? STYLES[STYLES.length - 1];
}
