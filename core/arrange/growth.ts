import type { Arrangement } from '../arrangement';
import { FULLER, levelOf } from '../levels';
import { barAt, type Choices, type SongEdit } from '../song';
import { choosePattern, kindred } from '../patterns';
import { fullerFor } from '../fuller';
import { sameChoices } from './sameChoices';

/** What a strain has more of than the time before. */
export interface Growth {
  /** Number of the part. */
  readonly part: number;
  readonly label: string;
  /** The how-many-eth time its strain comes, from 1. */
  readonly time: number;
  /** Where it stands among the steps: the one that is played, else the one that is proposed. */
  readonly at: number;
  readonly step: string;
  readonly choices: Partial<Choices>;
  /** It is played so now. */
  readonly isTaken: boolean;
  /** All steps, from the least to the most. */
  readonly steps: readonly GrowthStep[];
}

/** One step of growth. */
interface GrowthStep {
  readonly step: string;
  readonly choices: Partial<Choices>;
}

/**
 * How each strain that returns could grow: plain, with a third, over a fuller left hand, with chords, in octaves, an
 * octave up. Source: common practice of playing a strain again. First times are plain; what the hand cannot span is passed over.
 */
export function growthProposed(arrangement: Arrangement): Growth[] {
  const { parts, played, song, profile } = arrangement;
  const times = new Map<string, number>();
  const strains = parts.map(({ label }) => strainOf(label));
  return parts.flatMap((part, i): Growth[] => {
    const strain = strains[i];
    const time = (times.get(strain) ?? 0) + 1;
    times.set(strain, time);
    const returns = strains.filter((other) => other === strain).length > 1;
    if (!returns || part.settled || part.choices.layout === 'singing') return [];
    const { metre } = barAt(played.bars, part.toTick - 1);
    // As it is without growth, so that the steps stay the same when one is taken.
    const leader = parts[(part.sharesWith ?? part.number) - 1];
    const pattern = song.partSettings[leader.cutId]?.choices.pattern ?? song.choices.pattern;
    const now = choosePattern(pattern, metre, part.energy, song.patterns, 0).pattern;
    const richer = kindred(metre, Math.min(5, part.energy + 1)).find(
      ({ id, energy }) => id !== now.id && energy >= now.energy,
    );
    const steps = stepsFor(profile.rightReach, richer?.id ?? null);
    const grown = song.partSettings[part.cutId]?.grown;
    const taken = grown ? steps.findIndex(({ choices }) => sameChoices(grown, choices)) : -1;
    const at = taken >= 0 ? taken : Math.min(time, steps.length) - 1;
    return [{ part: part.number, label: part.label, time, at, ...steps[at], isTaken: taken >= 0, steps }];
  });
}

/** The edit by which parts are played as they are proposed to grow; one that undoes it where they are already. */
export function growing(
  { parts, song }: Arrangement,
  growths: readonly Pick<Growth, 'part' | 'choices'>[],
  isTaken: boolean,
): SongEdit {
  const isTooLow = isTaken && levelOf(song.choices).rightHand !== 'fuller';
  const up: SongEdit[] = isTooLow ? [{ kind: 'choose', choices: { level: FULLER } }] : [];
  return {
    kind: 'together',
    what: 'growth',
    edits: [
      ...up,
      ...growths.map(({ part, choices }): SongEdit => ({
        kind: 'grown',
        cutId: parts[part - 1].cutId,
        choices: isTaken ? choices : null,
      })),
    ],
  };
}

function stepsFor(reach: number, richer: string | null): GrowthStep[] {
  const manners = new Set(fullerFor(reach).map(({ id }) => id));
  const pattern = richer === null ? {} : { pattern: richer };
  return [
    { step: 'plain', choices: { fuller: 'none' as const } },
    { step: 'with a third or sixth under', choices: { fuller: 'under' as const } },
    ...(richer === null
      ? []
      : [{ step: 'over a fuller left hand', choices: { fuller: 'under' as const, ...pattern } }]),
    { step: 'on top of chords', choices: { fuller: 'chord' as const, ...pattern } },
    ...(manners.has('octave')
      ? [{ step: 'in octaves', choices: { fuller: 'octave' as const, ...pattern } }]
      : []),
    { step: 'an octave up', choices: { fuller: 'under' as const, octaveShift: 1 as const, ...pattern } },
  ];
}

/** A strain by its letter: A and A′ are the same. */
function strainOf(label: string): string {
  return label.replace(/[^A-Za-z]/g, '');
}
