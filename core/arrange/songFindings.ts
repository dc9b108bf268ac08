import type { HandNote } from '../hands';
import { quickChanges, tuneFindings } from '../harmony';
import type { Memory } from '../memory';
import { KEYBOARDS, nameOf, typeset } from '../music';
import { type Part, partIndexAt } from '../parts';
import { type Choices, type Finding, type PlayedSong, type Profile, type Song } from '../song';
import { offers, type Phrase, says } from '../sentences';

/** What the song itself makes a pianist want to know: unreadable symbols, keys off the keyboard, import notes. */
export function songFindings(
  {
    song,
    played,
    profile,
    parts,
  }: { song: Song; played: PlayedSong; profile: Profile; parts: readonly Part[] },
  melody: readonly HandNote[],
  memory: Memory,
): Finding[] {
  const unclear = played.changes
    .filter((change) => change.unclear !== null)
    .map((change): Finding => ({
      kind: 'unclear',
      tick: change.tick,
      says: [says.unclear(change.unclear ?? '')],
      remedies: [
        {
          offer: offers.leaveItOut(),
          edit: { kind: 'change-written', id: change.writtenId, symbol: 'N.C.' } as const,
        },
      ],
    }));
  const imported = song.imported.map(({ tick, said }, i): Finding => ({
    kind: 'imported',
    tick,
    about: String(i + 1),
    says: [said as Phrase],
    remedies: [],
  }));
  return [
    ...unclear,
    ...imported,
    ...memory.of<readonly Finding[]>('findings of the tune')(
      'song',
      [song.melody, song.words, song.spareWords, played],
      () => tuneFindings(song, played),
    ),
    ...quickChanges(played, profile.experience),
    ...offKeyboard(melody, profile, parts),
    ...fillsWithoutChord(song, played),
  ];
}

/** Fills that were taken over a chord that is there no more: kept aside, and said. */
function fillsWithoutChord({ fillsTaken }: Song, { changes }: PlayedSong): Finding[] {
  if (fillsTaken.length === 0) return [];
  const known = new Set(changes.flatMap(({ id, writtenId }) => [id, writtenId]));
  return fillsTaken
    .filter(({ id }) => !known.has(id.replace(/^.*:/, '')))
    .map(({ id, kind }): Finding => ({
      kind: 'fill',
      tick: 0,
      about: id,
      says: [says.fillAlone(kind)],
      remedies: [{ offer: offers.leaveFillOut(), edit: { kind: 'fill-left', id } }],
    }));
}

function offKeyboard(melody: readonly HandNote[], profile: Profile, parts: readonly Part[]): Finding[] {
  const { low, high } = KEYBOARDS[profile.keyboard];
  const off = melody.filter((note) => note.midi < low || note.midi > high);
  if (off.length === 0) return [];
  const [first] = off;
  const part = parts[partIndexAt(parts, first.tick)];
  const by = first.midi < low ? 1 : -1;
  const octaveShift = (part.choices.octaveShift + by) as Choices['octaveShift'];
  const offer = offers.partOctave(by);
  return [
    {
      kind: 'keyboard',
      tick: first.tick,
      says: [says.offKeyboard(typeset(nameOf(first.pitch)), off.length - 1, profile.keyboard)],
      remedies:
        Math.abs(octaveShift) > 1
          ? []
          : [{ offer, edit: { kind: 'choose-for-part', cutId: part.cutId, choices: { octaveShift } } }],
    },
  ];
}
