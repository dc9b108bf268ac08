import { chroma, classAbove, classNameOf, type Key, membersOf, scaleOf, staffStep, typeset } from '../music';
import { gotOrMade } from '../memory';
import { type Finding, heads, lastAtOrBefore, type PlayedNote, type PlayedSong, type Song } from '../song';
import { offers, says } from '../sentences';
import { BLUE_NOTES, isBlues } from './blues';

/** A run of so many unsung notes in a sung song is worth a word. */
const UNSUNG_NOTES = 3;
/** A note held this long (in quarters) is no passing note. */
const LONG_ENOUGH = 480;

/** What of the tune itself should be looked at: overlaps, words that do not fit, likely wrong accidentals. */
export function tuneFindings(song: Song, played: PlayedSong): Finding[] {
  const firstPass = played.melody.filter((note) => note.id === note.writtenId);
  return [
    ...overlaps(firstPass),
    ...unsung(song, firstPass),
    ...spareWords(song, firstPass),
    ...accidentals(played, firstPass),
  ];
}

function overlaps(notes: readonly PlayedNote[]): Finding[] {
  const line = notes.filter((note) => !note.grace);
  return line.flatMap((note, i) => {
    const next = line[i + 1];
    if (!next || note.tick + note.length <= next.tick) return [];
    const by = note.tick + note.length - next.tick;
    const remedies =
      next.tick > note.tick
        ? [
            {
              offer: offers.endFirst(),
              edit: { kind: 'notes-lengthened', ids: [note.writtenId], ticks: -by } as const,
            },
          ]
        : [
            {
              offer: offers.leaveLowerOut(),
              edit: { kind: 'notes-deleted', ids: [lower(note, next).writtenId] } as const,
            },
          ];
    return [
      {
        kind: 'overlap' as const,
        tick: note.tick,
        says: [says.overlap(nameOfNote(note), nameOfNote(next))],
        remedies,
      },
    ];
  });
}

function lower(a: PlayedNote, b: PlayedNote): PlayedNote {
  return a.midi <= b.midi ? a : b;
}

function nameOfNote(note: PlayedNote): string {
  return typeset(classNameOf(note.pitch));
}

/** Notes without a syllable in the middle of a sung line: perhaps a word was forgotten. */
function unsung(song: Song, notes: readonly PlayedNote[]): Finding[] {
  if (!song.melody.some((note) => note.lyric)) return [];
  const sung = heads(notes) as PlayedNote[];
  const findings: Finding[] = [];
  let run: PlayedNote[] = [];
  const close = (): void => {
    if (run.length >= UNSUNG_NOTES)
      findings.push({
        kind: 'words',
        tick: run[0].tick,
        says: [says.unsung(run.length, nameOfNote(run[0]))],
        remedies: [],
      });
    run = [];
  };
  for (const note of sung) {
    if (note.lyric === null) run.push(note);
    else close();
  }
  close();
  return findings;
}

function spareWords(song: Song, notes: readonly PlayedNote[]): Finding[] {
  if (song.spareWords === '') return [];
  const last = notes.at(-1);
  const remedy = {
    offer: offers.leaveWordsOut(),
    edit: { kind: 'tune-taken', what: 'words left out', session: null, fields: { spareWords: '' } } as const,
  };
  return [
    {
      kind: 'words',
      tick: last?.tick ?? 0,
      says: [says.spareWords(song.spareWords)],
      remedies: [remedy],
    },
  ];
}

/**
 * A note outside the key that its chord does not hold, long enough to be heard and not led by half step from either
 * side, is likely a slip: the key's own note of that letter is offered.
 */
function accidentals(played: PlayedSong, notes: readonly PlayedNote[]): Finding[] {
  const line = notes.filter((note) => !note.grace);
  const usual = new Map<Key, ReadonlySet<number>>();
  const blue = isBlues(played) ? BLUE_NOTES : [];
  return line.flatMap((note, i) => {
    const key = lastAtOrBefore(played.keyMap, note.tick);
    if (note.length < LONG_ENOUGH || gotOrMade(usual, key, () => usualIn(key, blue)).has(note.midi % 12))
      return [];
    if (inChord(played, note)) return [];
    const [before, after] = [line[i - 1], line[i + 1]];
    if (isLed(before, note) || isLed(note, after)) return [];
    const plain = scaleOf(key).find((p) => p.letter === note.pitch.letter);
    if (!plain) return [];
    const pitch = { ...plain, octave: note.pitch.octave };
    const remedy = {
      offer: offers.makeIt(typeset(classNameOf(pitch))),
      edit: { kind: 'note-respelled', id: note.writtenId, pitch } as const,
    };
    return [
      {
        kind: 'accidental' as const,
        tick: note.tick,
        says: [says.accidental(nameOfNote(note))],
        sameAs: nameOfNote(note),
        remedies: [remedy],
      },
    ];
  });
}

/** Keys of the piano, by chroma, that belong to a key of music; in minor the raised sixth and seventh are usual too, in a blues its blue notes. */
function usualIn(key: Key, blue: readonly number[]): ReadonlySet<number> {
  const raised = key.mode === 'minor' ? ['6M', '7M'] : [];
  const steps = [...scaleOf(key), ...raised.map((above) => classAbove(key.tonic, above))].map(chroma);
  return new Set([...steps, ...blue.map((by) => (chroma(key.tonic) + by) % 12)]);
}

function inChord(played: PlayedSong, note: PlayedNote): boolean {
  if (played.changes.length === 0) return false;
  const { chord } = lastAtOrBefore(played.changes, note.tick);
  return chord !== null && membersOf(chord).some((m) => m.chroma === note.midi % 12);
}

/** A half step by neighbouring letters, or the same letter altered. */
function isLed(from: PlayedNote | undefined, to: PlayedNote | undefined): boolean {
  if (!from || !to) return false;
  return Math.abs(from.midi - to.midi) === 1 && Math.abs(staffStep(from.pitch) - staffStep(to.pitch)) <= 1;
}
