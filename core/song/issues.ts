import type * as z from 'zod';

/** What the lists of a song hold, one of each by number. */
const MEMBERS: Readonly<Record<string, string>> = {
  keyMap: 'key change',
  metreMap: 'change of metre',
  tempoMap: 'change of tempo',
  playingOrder: 'span of bars in the playing order',
  melody: 'note',
  words: 'syllable',
  changes: 'chord',
  sections: 'section',
  cuts: 'cut',
  pins: 'pinned voicing',
  fingerPins: 'pinned finger',
  closeHands: 'choice for hands too close',
  settled: 'part kept as learned',
  ownBars: 'stretch of your own notes',
  patterns: 'pattern of your own',
  fillsTaken: 'fill that was taken',
  fillsDeclined: 'fill that was declined',
  thinningRefused: 'chord played in full',
  imported: 'remark on the file that was read',
  intensities: 'intensity of a phrase',
  dismissed: 'ignored finding',
};
/** What else a song says of itself. */
const WHOLE: Readonly<Record<string, string>> = {
  schemaVersion: 'the version of the file',
  id: 'its id',
  title: 'the title',
  subtitle: 'the subtitle',
  credits: 'who wrote it',
  notes: 'the notes for who plays it',
  handout: 'for whom its handout is',
  tags: 'the tags',
  version: 'which version it is',
  feel: 'the feel',
  pickup: 'the pick-up',
  barCount: 'the number of bars',
  spareWords: 'the words left over',
  division: 'how the song is cut',
  choices: 'what was chosen for the song',
  partSettings: 'what was chosen for a part',
  leftReach: 'the reach of the left hand',
  rightReach: 'the reach of the right hand',
  keyboard: 'the keyboard',
};
const FIELDS: Readonly<Record<string, string>> = {
  tick: 'where it begins',
  length: 'its length',
  pitch: 'its pitch',
  lyric: 'its syllable',
  text: 'its letters',
  symbol: 'its symbol',
  name: 'its name',
  keys: 'its keys',
  finger: 'its finger',
  fingers: 'its fingers',
  notes: 'its notes',
  tonic: 'its tonic',
  mode: 'its mode',
  numerator: 'its count',
  denominator: 'its beat',
  quartersPerMinute: 'its tempo',
};

/** Where in a song, in words: "note 4, its length", "the title". */
export function placeInSong(path: readonly PropertyKey[]): string {
  const [first, second, ...rest] = path.map(String);
  if (first === undefined) return 'the song';
  const member = MEMBERS[first];
  if (!member) return WHOLE[first] ?? 'something that belongs to the song';
  if (second === undefined) return `the list of what is called “${member}”`;
  const field = rest.map((key) => FIELDS[key]).find(Boolean);
  return `${member} ${Number(second) + 1}${field ? `, ${field}` : ''}`;
}

/** What does not fit, with its place: "Note 4, its length: it is missing." */
export function wrongAt(path: readonly PropertyKey[], what: string): string {
  const place = placeInSong(path);
  return `${place[0].toUpperCase()}${place.slice(1)}: ${what}.`;
}

/** The first thing that does not fit a schema. */
export function firstIssue({ issues: [issue] }: z.ZodError): string {
  return wrongAt(issue.path, whatIsWrong(issue));
}

function whatIsWrong(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? 'it is missing'
        : `it should be ${KINDS[issue.expected] ?? 'something else'}`;
    case 'too_big':
      return issue.origin === 'string' || issue.origin === 'array'
        ? `it is too long, ${issue.maximum} at most`
        : `it is more than ${issue.maximum}`;
    case 'too_small':
      return issue.origin === 'string' || issue.origin === 'array'
        ? 'there is nothing in it'
        : `it is less than ${issue.minimum}`;
    default:
      return 'it is none of what is known here';
  }
}

const KINDS: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'a text',
  boolean: 'yes or no',
  array: 'a list',
  object: 'a record',
  record: 'a record',
};
