import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { cardOf } from '../storage/card';
import { inGroups } from './groups';

const [lanterns, sluicegate] = DEMO_SONGS;
const version = (name: string, of = lanterns.id) =>
  cardOf({ ...lanterns, id: name, version: { of, name } }, 1, { openedAt: 1 });

describe('cards of the shelf', () => {
  it('hang versions under the song itself, wherever they stand; without it the first leads', () => {
    const [song, other] = [lanterns, sluicegate].map((each) => cardOf(each, 1, {}));
    const ids = (cards: Parameters<typeof inGroups>[0]) =>
      inGroups(cards).map(({ card, versions }) => [card.id, ...versions.map(({ id }) => id)]);
    expect(ids([version('easy'), other, song, version('evening')])).toEqual([
      ['demo-lanterns', 'easy', 'evening'],
      ['demo-sluicegate'],
    ]);
    expect(ids([version('easy'), other, version('evening')])).toEqual([
      ['easy', 'evening'],
      ['demo-sluicegate'],
    ]);
    expect(ids([version('easy'), version('far', 'elsewhere')])).toEqual([['easy'], ['far']]);
    expect(ids([])).toEqual([]);
  });

  it('say key, metre, bars, parts and length, as far as they are known, and when it was opened', () => {
    const known = cardOf(lanterns, 1, { facts: { parts: 6, seconds: 65 } });
    const told = (cards: Parameters<typeof inGroups>[0]) => inGroups(cards)[0];
    expect(told([known]).facts.map(({ value }) => value)).toEqual(['A minor', '3/4', '24', '6', '1:05']);
    expect(told([known]).opened).toBe('Not opened yet');
    const unknown = told([cardOf(lanterns, 1, { openedAt: Date.now() })]);
    expect(unknown.facts.map(({ value }) => value)).toEqual(['A minor', '3/4', '24', '…', '…']);
    expect(unknown.opened).toBe('Opened less than a minute ago');
  });
});
