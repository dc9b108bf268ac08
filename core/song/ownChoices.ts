import { withSettings } from './decisionEdits';
import type { Choices, Song } from './schema';

export type ChoiceName = keyof Choices;

/** What was chosen for the part of a cut alone, also for where it returns; in the order of the song's choices. */
export function ownChoicesAt(song: Song, cutId: string): ChoiceName[] {
  const { choices = {}, grown = {} } = song.partSettings[cutId] ?? {};
  return namesOf({ ...choices, ...grown });
}

/** Choices of the part of a cut given up: the song's hold again. */
export function withoutChoices(song: Song, cutId: string, names: readonly ChoiceName[]): Song {
  const left = (choices: Partial<Choices>): Partial<Choices> =>
    Object.fromEntries(Object.entries(choices).filter(([name]) => !names.includes(name as ChoiceName)));
  return withSettings(song, cutId, ({ grown = {}, ...old }) => {
    const grownLeft = left(grown);
    return {
      ...old,
      choices: left(old.choices),
      ...(namesOf(grownLeft).length > 0 ? { grown: grownLeft } : {}),
    };
  });
}

function namesOf(choices: Partial<Choices>): ChoiceName[] {
  return Object.keys(choices) as ChoiceName[];
}
