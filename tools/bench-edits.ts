// How much of a song an edit works out anew: part of npm run bench. Shares are told: times are this machine's.
import { arrange } from '../core/arrange';
import { keyOfPin } from '../core/fingering';
import { LEVELS } from '../core/levels';
import { joinWithNext } from '../core/parts';
import { PATTERNS } from '../core/patterns';
import { applyEdit, DEFAULT_CHOICES, DEFAULT_PROFILE, type Song, type SongEdit } from '../core/song';
import { COMMON_TIME } from '../core/music';
import { randomSong } from '../core/testing';
import { alternativesFor, LAYOUT_ROWS } from '../core/voicing';
import { copyOf, prepared } from './timing';

const BARS = 200;
const TIMES = 11;
/** White keys a left hand may span. */
const REACHES = [6, 7, 9, 10, 8] as const;

/** The work of each kind of edit beside that of the whole song anew, medians, in the middle of a song of 200 bars. */
export function editShares(): void {
  const song = onLevel(randomSong({ bars: BARS, changesPerBar: 1, seed: 11, metre: COMMON_TIME }), 5);
  // Another hand each time: neither candidates nor step costs are remembered.
  const whole = prepared(
    (turn) => ({ fresh: copyOf(song), profile: { ...DEFAULT_PROFILE, leftReach: REACHES[turn] } }),
    ({ fresh, profile }) => arrange(fresh, profile),
    REACHES.length,
  );
  console.log(
    `\n${BARS} bars arranged anew: ${whole.toFixed(0)} ms; what an edit works out, of that (≤ 20 %):`,
  );
  const shares = Object.entries(EDITS).map(([name, editOf]) => {
    // A copy: what another kind of edit made is not remembered.
    let here = copyOf(song);
    arrange(here, DEFAULT_PROFILE);
    const ms = prepared(
      (turn) => (here = applyEdit(here, editOf(here, turn))),
      (edited) => arrange(edited, DEFAULT_PROFILE),
      TIMES,
    );
    return `${name} ${Math.round((100 * ms) / whole)} %`;
  });
  console.log(shares.join(', '));
}

/** Another each turn: what was there a moment ago is remembered. */
const EDITS: Record<string, (song: Song, turn: number) => SongEdit> = {
  pin: (song, turn) => {
    const changeId = song.changes[100 + turn].id;
    const { played, parts } = arrange(song, DEFAULT_PROFILE);
    const [, other] = alternativesFor(song, DEFAULT_PROFILE, played, parts, changeId);
    return { kind: 'pin', pin: { changeId, keys: [...other.voicing.keys], fingers: null } };
  },
  chord: (song, turn) => ({
    kind: 'change-written',
    id: song.changes[100 + turn].id,
    symbol: ['Em7', 'F#7', 'Bb', 'Abm'][turn % 4],
  }),
  finger: (song, turn) => {
    const { right, played } = arrange(song, DEFAULT_PROFILE);
    const note = right[250 + turn];
    return {
      kind: 'finger-pinned',
      pin: { ...keyOfPin(note, played), finger: ((note.finger ?? 1) % 5) + 1 },
    };
  },
  note: (song, turn) => ({ kind: 'notes-moved', ids: [song.melody[250 + turn].id], steps: 1 }),
  cut: (song, turn) => {
    const { parts } = arrange(song, DEFAULT_PROFILE);
    return joinWithNext(parts, 15 + turn) as SongEdit;
  },
  'level above or below': ({ choices: { level } }) => ({
    kind: 'choose',
    choices: { level: level < LEVELS.length ? level + 1 : 1 },
  }),
  pattern: (_, turn) => patterns[turn],
  layout: (_, turn) => layouts[turn],
};

const patterns = PATTERNS.map(({ id }): SongEdit => ({ kind: 'choose', choices: { pattern: id } }));
/** But for the one the song has. */
const layouts = LAYOUT_ROWS.filter(({ layout }) => layout !== DEFAULT_CHOICES.layout).map(
  ({ layout }): SongEdit => ({ kind: 'choose', choices: { layout } }),
);

function onLevel(song: Song, level: number): Song {
  return applyEdit(song, { kind: 'choose', choices: { level } });
}
