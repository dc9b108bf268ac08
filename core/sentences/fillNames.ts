/** Names of the kinds of fills, by their ids. */
const KINDS: Readonly<Record<string, string>> = {
  walk: 'bass walk',
  passing: 'passing chord',
  suspension: 'suspended close',
  'low-end': 'low last note',
  'left-tune': 'tune in the left hand',
  answer: 'answer',
  run: 'scale run',
  echo: 'echo',
  sweep: 'broken-chord sweep',
  inner: 'moving inner voice',
  grace: 'grace note',
  trill: 'short trill',
  turn: 'turn',
  'third-or-sixth-under': 'third or sixth under',
  'chord-note-above': 'chord note above',
  'chord-notes-under': 'chord notes under',
  octaves: 'octaves',
};

/** The ways a kind can be played, by its id and the way's own. */
const VARIANTS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  walk: {
    'step-from-below': 'by step from below',
    'step-from-above': 'by step from above',
    'half-step-from-below': 'chromatic from below',
    'half-step-from-above': 'chromatic from above',
  },
  passing: {
    diminished: 'diminished between the two',
    'half-step-above': 'from a half step above',
    'half-step-below': 'from a half step below',
  },
  suspension: { 'fourth-second': 'fourth, second, then the chord', fourth: 'the fourth, then the chord' },
  'low-end': { octave: 'as an octave', alone: 'alone' },
  'left-tune': { 'last-notes': 'the tune’s last notes, lower', rising: 'rising through the chord' },
  answer: {
    'last-figure': 'with its last figure',
    'first-figure': 'with its first figure',
    'upside-down': 'with a figure of its own, upside down',
    'even-notes': 'with its line in even notes',
  },
  run: {
    'three-from-below': 'three notes home from below',
    'three-from-above': 'three notes home from above',
    'five-from-below': 'five notes home from below',
    'five-from-above': 'five notes home from above',
  },
  echo: {
    'last-2': 'the last 2 notes, an octave up',
    'last-3': 'the last 3 notes, an octave up',
    'last-4': 'the last 4 notes, an octave up',
    'last-5': 'the last 5 notes, an octave up',
  },
  sweep: { up: 'up through the chord', 'up-and-back': 'up through the chord and back' },
  inner: { falling: 'falling by step', rising: 'rising by step' },
  grace: { 'step-below': 'a step below', 'half-step-below': 'a half step below' },
  trill: { 'step-above': 'with the step above' },
  turn: { 'three-notes': 'of three notes' },
  'third-or-sixth-under': { one: 'with strong notes' },
  'chord-note-above': { one: 'with strong notes' },
  'chord-notes-under': { two: 'two with strong notes', whole: 'whole chords' },
  octaves: { plain: 'plain', framed: 'with a chord note inside' },
};

/** "bass walk"; of no kind known here the id itself. */
export function fillName(kind: string): string {
  return KINDS[kind] ?? kind;
}

/** Kinds that are named in the plural. */
const PLURAL: readonly string[] = ['chord-notes-under', 'octaves'];

/** "a bass walk", "an echo", "octaves". */
export function aFill(kind: string): string {
  const name = fillName(kind);
  if (PLURAL.includes(kind)) return name;
  return `${/^[aeiou]/.test(name) ? 'an' : 'a'} ${name}`;
}

/** "by step from below". */
export function fillVariant(kind: string, variant: string): string {
  return VARIANTS[kind]?.[variant] ?? variant;
}

/** The ids of a kind and a way that are stored by their names, as older songs have them. */
export function fillIds(name: string, variant: string): { readonly kind: string; readonly variant: string } {
  const kind = Object.keys(KINDS).find((id) => KINDS[id] === name) ?? name;
  const ways = VARIANTS[kind] ?? {};
  return { kind, variant: Object.keys(ways).find((id) => ways[id] === variant) ?? variant };
}
