import type { Arrangement } from '../arrangement';
import { fullerFor } from '../fuller';
import { FULLER, levelOf } from '../levels';
import { fitsMetre, PATTERNS } from '../patterns';
import { barAt, type Choices, type SongEdit } from '../song';
import { sameChoices } from './sameChoices';

/** A way of playing a whole section: left hand, rhythm of the tune, thickness of the right hand, pedal, loudness together. */
export interface Character {
  readonly id: string;
  readonly name: string;
  readonly told: string;
  /** Patterns, the first that is made for the metre is played. */
  readonly patterns: readonly string[];
  readonly choices: Partial<Choices>;
}

/** From the calmest to the fullest. Source: common practice of arranging; the names are this program's own. */
export const CHARACTERS: readonly Character[] = [
  {
    id: 'still-water',
    name: 'Still water',
    told: 'open chords, low and held; the tune alone above them',
    patterns: ['open-tenth'],
    choices: { fuller: 'none', rhythm: 'straight', pedal: 'change', dynamics: 'even' },
  },
  {
    id: 'lamplight',
    name: 'Lamplight',
    told: 'the left hand rocks, thirds under the tune',
    patterns: ['rocking', 'waltz', 'jig', 'pulse'],
    choices: { fuller: 'under', rhythm: 'real', pedal: 'change', dynamics: 'even' },
  },
  {
    id: 'barn-floor',
    name: 'Barn floor',
    told: 'bass and short chords, the tune a little ahead of the beat, no pedal',
    patterns: ['stride', 'after-beat', 'jig', 'pulse'],
    choices: { fuller: 'none', rhythm: 'anticipated', pedal: 'none', dynamics: 'even' },
  },
  {
    id: 'high-tide',
    name: 'High tide',
    told: 'a wide left hand, the tune on top of chords, louder to the end',
    patterns: ['rolling-tenth', 'crossing-six', 'octave-bounce', 'stride', 'pulse'],
    choices: { fuller: 'chord', rhythm: 'real', pedal: 'half', dynamics: 'growing' },
  },
];

/** The parts of the section a part lies in, by index: those that begin from its beginning up to the next one's; all where there are no sections. */
export function partsOfSection({ parts, played }: Arrangement, index: number): number[] {
  const starts = played.sections.map(({ tick }) => tick);
  const sectionOf = (tick: number): number => starts.filter((start) => start <= tick).length;
  const first = barTickOf(played.bars, parts[index]?.fromTick ?? 0);
  return parts.flatMap((part, i) =>
    sectionOf(barTickOf(played.bars, part.fromTick)) === sectionOf(first) ? [i] : [],
  );
}

/** A part belongs where its first full bar does: its pick-up sounds before. */
function barTickOf(bars: Arrangement['played']['bars'], tick: number): number {
  return bars.find((bar) => bar.tick >= tick && bar.number > 0)?.tick ?? tick;
}

/** The edit that plays the section of a part in a character; null gives it back as it was. Settled parts stay. */
export function restyled(arrangement: Arrangement, index: number, character: Character | null): SongEdit {
  const { parts, song } = arrangement;
  const up: SongEdit[] =
    character && levelOf(song.choices).rightHand !== 'fuller'
      ? [{ kind: 'choose', choices: { level: FULLER } }]
      : [];
  const edits = partsOfSection(arrangement, index)
    .filter((at) => !parts[at].settled)
    .map((at): SongEdit => ({
      kind: 'grown',
      cutId: parts[at].cutId,
      choices: character ? choicesIn(arrangement, at, character) : null,
    }));
  return {
    kind: 'together',
    what: character ? `“${character.name}”` : 'character',
    edits: [...up, ...edits],
  };
}

function choicesIn(
  { parts, played, profile }: Arrangement,
  at: number,
  character: Character,
): Partial<Choices> {
  const { metre } = barAt(played.bars, parts[at].toTick - 1);
  const pattern = character.patterns.find((id) =>
    PATTERNS.some((row) => row.id === id && fitsMetre(row, metre)),
  );
  const { fuller } = character.choices;
  const isInReach = fullerFor(profile.rightReach).some(({ id }) => id === fuller) || fuller === 'none';
  return {
    ...character.choices,
    ...(pattern ? { pattern } : {}),
    ...(isInReach ? {} : { fuller: 'under' as const }),
  };
}

/** The character a part is played in; null where it is played in none of them. */
export function characterOf(arrangement: Arrangement, index: number): Character | null {
  const part = arrangement.parts[index];
  const grown = part && arrangement.song.partSettings[part.cutId]?.grown;
  if (!grown) return null;
  return CHARACTERS.find((row) => sameChoices(choicesIn(arrangement, index, row), grown)) ?? null;
}
