/** Something that is worked at: where it is, and other words for it. */
export interface FindablePlace {
  readonly label: string;
  /** Last part of the address of its bench; null: the song's own. */
  readonly bench: string | null;
  readonly tab?: string;
  /** What people call it who do not know what it is called here. */
  readonly words: string;
}

/** What can be worked at, in the order of the benches: a row for each tab at the least. */
export const PLACES: readonly FindablePlace[] = [
  {
    label: 'Change notes of the melody',
    bench: 'tune',
    tab: 'notes',
    words: 'correct wrong edit pitch length octave sharp flat tie rest delete',
  },
  { label: 'Lyrics', bench: 'tune', tab: 'words', words: 'words text syllables verse sing' },
  {
    label: 'Metre, tempo and bars',
    bench: 'tune',
    tab: 'bars',
    words: 'time signature bpm speed pick-up upbeat repeats ritardando swing feel key signature',
  },
  {
    label: 'Enter a melody by letters',
    bench: 'tune',
    tab: 'letters',
    words: 'type write note entry input new keyboard',
  },
  { label: 'Play a melody in', bench: 'tune', tab: 'play', words: 'record midi microphone tap piano input' },
  {
    label: 'Transpose',
    bench: 'tune',
    tab: 'keys',
    words: 'key higher lower singer voice range easier black keys move up down',
  },
  { label: 'The melody in words', bench: 'tune', tab: 'told', words: 'read aloud describe' },
  {
    label: 'Name this part, or keep it as learned',
    bench: 'parts',
    tab: 'part',
    words: 'lock rename same unlink',
  },
  {
    label: 'Cut the song into parts',
    bench: 'parts',
    tab: 'cut',
    words: 'divide split boundary two bars four bars phrase',
  },
  { label: 'Sections', bench: 'parts', tab: 'sections', words: 'verse chorus bridge form order' },
  {
    label: 'Change, add or remove a chord',
    bench: 'chords',
    tab: 'chord',
    words: 'harmony substitute reharmonise brighter darker replace wrong',
  },
  {
    label: 'Voicing style',
    bench: 'chords',
    tab: 'voicing',
    words: 'inversion position nearest shell rootless chord shapes',
  },
  {
    label: 'Suggest chords for the melody',
    bench: 'chords',
    tab: 'suggest',
    words: 'harmonise find missing automatic',
  },
  {
    label: 'What each note is in its chord',
    bench: 'chords',
    tab: 'holds',
    words: 'third fifth seventh degree',
  },
  {
    label: 'Name the chord I play',
    bench: 'chords',
    tab: 'name',
    words: 'recognise identify which what is it',
  },
  {
    label: 'Why a chord lies where it does, and other voicings',
    bench: null,
    tab: 'why',
    words: 'reason alternative pin inversion',
  },
  {
    label: 'Left-hand pattern',
    bench: null,
    tab: 'patterns',
    words: 'accompaniment arpeggio waltz broken chords rhythm bass figure style',
  },
  { label: 'Step through, hands together', bench: null, tab: 'steps', words: 'wait slow learn note by note' },
  { label: 'Fingering', bench: null, tab: 'fingers', words: 'finger numbers thumb' },
  {
    label: 'Harmony notes',
    bench: 'tune',
    tab: 'notes',
    words: 'third sixth octave two notes second voice drone double stop under above',
  },
  {
    label: 'Notes by hand',
    bench: null,
    tab: 'hand',
    words: 'own bars write my own notes replace bar bass line riff edit keys change one note',
  },
  { label: 'Difficulty', bench: null, tab: 'effort', words: 'hard easy easier simplify small hands stretch' },
  { label: 'Fills', bench: 'fills', tab: 'places', words: 'add ornament run walk gap decorate' },
  { label: 'Try an automatic version', bench: 'fills', tab: 'version', words: 'arrange for me surprise' },
  {
    label: 'Intro and ending',
    bench: 'fills',
    tab: 'frame',
    words: 'introduction outro coda close start finish',
  },
  {
    label: 'Plan of the song',
    bench: 'fills',
    tab: 'grow',
    words: 'intensity climax strong loud soft shape phrase',
  },
  { label: 'Vary repeats', bench: 'fills', tab: 'grow', words: 'growth second time different build verse' },
  {
    label: 'Practise the next task',
    bench: 'practise',
    tab: 'now',
    words: 'exercise listen judge turn learn',
  },
  {
    label: 'Practice plan and goals',
    bench: 'practise',
    tab: 'plan',
    words: 'schedule today week breaks rests',
  },
  { label: 'Trouble spots', bench: 'practise', tab: 'places', words: 'mistakes wrong weak next song' },
  {
    label: 'Practice log',
    bench: 'practise',
    tab: 'log',
    words: 'diary time chart statistics csv history progress',
  },
  {
    label: 'Play along with a recording',
    bench: 'practise',
    tab: 'recording',
    words: 'audio mp3 slow down backing',
  },
  {
    label: 'Print',
    bench: 'handout',
    words: 'pdf paper pages sheets lead sheet score lyrics portrait landscape',
  },
];

/** What is set once, and other words for it. */
export const SETTINGS: readonly (readonly [label: string, words: string])[] = [
  [
    'Profiles: hands and keyboard',
    'reach span small large stretch pupil student size piano keys experience preferences options',
  ],
  ['Colours: light, dark, stage', 'theme mode night black contrast appearance'],
  ['Larger letters', 'font size text big bigger zoom'],
  ['Names of notes', 'do re mi solfege german H letters language'],
  ['Centimetres or inches', 'units lengths'],
  ['Sound and MIDI instrument', 'output piano electric music box speaker'],
  ['Side of the panel', 'left-handed layout'],
  ['Single-key shortcuts', 'keyboard switch off'],
];
