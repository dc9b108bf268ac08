import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { Table } from '../../testing/table';
import { JoinState } from './join-state';
import { PatternChoices } from './pattern-choices';

const [lanterns] = DEMO_SONGS;

describe('what could be played in the place of blocks', () => {
  let table: Table;
  let join: JoinState;
  let choices: PatternChoices;
  beforeEach(() => {
    table = new Table(lanterns, ScreenKeyboard, JoinState, PatternChoices);
    join = table.get(JoinState);
    choices = table.get(PatternChoices);
  });
  const choose = (changed: Parameters<JoinState['choose']>[0]): void => {
    join.choose(changed);
    table.settle();
  };

  it('is a style, the one that suits the song first; taken it takes the place of a pattern', () => {
    choose({ level: 4, pattern: 'rocking' });
    const { near, others } = choices.styles();
    const [first] = near;
    expect([near.length, first.id, others.length, choices.style()]).toEqual([1, 'lullaby', 14, null]);
    expect(first.says).toMatch(/Suits this song: three slow beats$/);
    choose(choices.withStyle('waltz'));
    expect([choices.style(), choices.chosen(), join.bench.level()]).toEqual(['waltz', 'auto', 5]);
    expect(choices.styles().near.map(({ id }) => id)).toEqual(['lullaby', 'waltz']);
    choose({ layout: 'singing' });
    expect(choices.styles().near).toEqual([]);
  });

  it('is what fits best, then those in turns and blocks', () => {
    const ids = choices.rows().map(({ id }) => id);
    expect(ids.slice(-2)).toEqual(['vary', 'block']);
    expect(ids.slice(0, -2)).toEqual(join.proposals().map(({ id }) => id));
    choose({ layout: 'singing' });
    expect(choices.rows().map(({ name }) => name)[0]).toBe('Plain');
    expect(choices.rows().some(({ id }) => id === 'vary')).toBe(false);
  });

  it('says which is played: none while chords are held, the family of those in turns', () => {
    choose({ level: 4 });
    expect([choices.isMoving(), choices.chosen()]).toEqual([false, null]);
    choose({ level: 5, pattern: 'vary:3' });
    expect([choices.isMoving(), choices.chosen(), choices.nextTurn()]).toEqual([true, 'vary', 'vary:4']);
    choose({ pattern: 'rocking' });
    expect([choices.chosen(), choices.nextTurn()]).toEqual(['rocking', 'vary:1']);
    expect([choices.isFuller(), choices.fuller()]).toEqual([false, null]);
    choose({ level: 6 });
    expect([choices.isFuller(), choices.fuller()]).toEqual([true, 'by-phrase']);
  });

  it('is taken with the level on which it is heard', () => {
    choose({ level: 4 });
    expect([choices.withLevel('pulse'), choices.withFuller('above')]).toEqual([
      { pattern: 'pulse', level: 5 },
      { fuller: 'above', level: 6 },
    ]);
    choose({ level: 6 });
    expect([choices.withLevel('pulse'), choices.withFuller('above')]).toEqual([
      { pattern: 'pulse' },
      { fuller: 'above' },
    ]);
  });

  it('is none under the tune, where the left hand holds its bass; taken, the chords are the left hand’s again', () => {
    choose({ level: 5, layout: 'under-melody', pattern: 'pulse' });
    expect([choices.isUnder(), choices.chosen()]).toEqual([true, null]);
    expect(choices.withLevel('rocking')).toEqual({ pattern: 'rocking', layout: 'block' });
  });
});
