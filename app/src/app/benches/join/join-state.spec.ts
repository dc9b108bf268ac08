import '@angular/compiler';
import { keyOfPin } from '@joined-hands/core/fingering';
import { applyEdit, DEFAULT_PROFILE } from '@joined-hands/core/song';
import { arrange } from '@joined-hands/core/arrange';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { Recorder } from '../../input/recorder';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { askedBy, pressOn } from '../../testing/keys';
import { Table } from '../../testing/table';
import { ByHandState } from './by-hand-state';
import { JoinBehaviour } from './join-behaviour';
import { JoinState, SHOWINGS } from './join-state';
import { PatternChoices } from './pattern-choices';

const [lanterns] = DEMO_SONGS;

describe('the Join bench', () => {
  let table: Table;
  let join: JoinState;
  const open = (song = lanterns): void => {
    table = new Table(song, Recorder, ScreenKeyboard, JoinState, ByHandState, PatternChoices, JoinBehaviour);
    join = table.get(JoinState);
    join.isOpen.set(true);
    table.settle();
  };
  const at = (tab: Parameters<JoinState['tab']['set']>[0]): void => {
    join.tab.set(tab);
    table.settle();
  };
  beforeEach(() => open());

  it('asks only for the tab that is done, and not while another bench is open', () => {
    expect(table.questions).toEqual([]);
    at('effort');
    expect(table.questions.map(({ kind }) => kind)).toEqual(['efforts', 'easier']);
    expect(join.efforts()?.levels[3]).toEqual(
      table.state.arrangement?.efforts.map((effort) => effort?.total),
    );
    expect(join.easier()?.length).toBeGreaterThan(0);
    join.isOpen.set(false);
    join.bench.goToPart(2);
    table.settle();
    expect(table.questions).toHaveLength(2);
  });

  it('asks anew for the part that comes on screen', () => {
    at('effort');
    join.bench.goToPart(2);
    table.settle();
    expect(table.questions.at(-1)).toEqual({ kind: 'easier', part: 2 });
  });

  it('chooses for the section of the part on screen: each of its parts, through the one it follows', () => {
    expect(join.scopes().map(({ value }) => value)).toEqual(['song', 'section', 'part']);
    join.chooseFor('section');
    join.choose({ pattern: 'pulse' });
    table.settle();
    const played = table.state.arrangement?.parts.map(({ sectionName, choices }) => [
      sectionName,
      choices.pattern,
    ]);
    expect(played?.slice(0, 3)).toEqual([
      ['Verse', 'pulse'],
      ['Verse', 'pulse'],
      ['Middle', 'auto'],
    ]);
    join.bench.undo();
    table.settle();
    expect(table.state.arrangement?.parts.some(({ choices }) => choices.pattern === 'pulse')).toBe(false);
    open({ ...lanterns, sections: [] });
    expect(join.scopes().map(({ value }) => value)).toEqual(['song', 'part']);
  });

  it('chooses for one time of what comes again: the other keeps its own, and what is chosen for each time goes on', () => {
    const played = (): (readonly [string, number] | undefined)[] =>
      [0, 3].map((at) => {
        const part = table.state.arrangement?.parts[at];
        return part && ([part.choices.pattern, part.choices.level] as const);
      });
    expect(join.scopes().at(-1)).toEqual({ value: 'part', label: 'Each time' });
    join.bench.goToPart(3);
    table.settle();
    expect(join.scopes().at(-1)).toEqual({ value: 'time', label: 'This time' });
    join.chooseFor('time');
    join.choose({ pattern: 'pulse', level: 5 });
    join.choose({ level: 6 });
    table.settle();
    expect(played()).toEqual([
      ['auto', 4],
      ['pulse', 6],
    ]);
    join.chooseFor('part');
    join.choose({ pattern: 'rocking', level: 5 });
    table.settle();
    expect(played()).toEqual([
      ['rocking', 5],
      ['pulse', 6],
    ]);
    // A part that comes once has no other time.
    join.bench.goToPart(2);
    table.settle();
    join.chooseFor('time');
    expect([join.chosenFor(), join.scopes().at(-1)?.label]).toEqual(['part', 'This part']);
  });

  it('chooses for the song, or for the part on screen', () => {
    join.choose({ pattern: 'pulse' });
    join.chooseFor('part');
    join.choose({ fuller: 'above' });
    const [{ cutId }] = table.state.arrangement?.parts ?? [];
    expect(table.edits).toEqual([
      { kind: 'choose', choices: { pattern: 'pulse' } },
      { kind: 'choose-for-part', cutId, choices: { fuller: 'above' } },
    ]);
  });

  it('hears a choice in its place without making it', () => {
    join.hear({ pattern: 'waltz', level: 5 });
    table.settle();
    expect(table.edits).toEqual([]);
    expect(table.questions.at(-1)).toMatchObject({ kind: 'trial', edit: { kind: 'choose' } });
  });

  it('proposes patterns for the metre, by the tune and the pianist', () => {
    expect(join.proposals().map(({ id }) => id)).toContain('crossing-six');
    expect(join.proposals().map(({ id }) => id)).not.toContain('rocking');
  });

  it('goes on when all keys of a step were pressed, in any order, from the screen too', () => {
    at('steps');
    expect(join.keysToShow()?.map(({ midi }) => midi)).toEqual([48, 52, 57, 69]);
    for (const midi of [69, 57, 48]) join.press(midi);
    expect(join.stepAt()).toBe(0);
    expect(join.slip()).toBe('');
    join.press(50);
    expect(join.slip()).toBe('D is not in it: E3 is wanted.');
    table.get(ScreenKeyboard).press(52);
    table.settle();
    expect(join.stepAt()).toBe(1);
    expect(join.pressed()).toEqual([]);
    join.stepBy(-1);
    join.stepBy(-1);
    expect(join.stepAt()).toBe(join.steps().length - 1);
    join.stepBy(1);
    expect(join.stepAt()).toBe(0);
  });

  it('steps with one hand, from the first strike, and begins anew in another part', () => {
    at('steps');
    join.stepBy(1);
    join.stepWith('left');
    expect(join.stepAt()).toBe(0);
    expect(join.step()?.right).toEqual([]);
    join.stepBy(1);
    join.bench.goToPart(1);
    table.settle();
    expect(join.stepAt()).toBe(0);
    expect(join.inWantedOctave(57 + 12)).toBe(57);
    expect(join.inWantedOctave(61)).toBe(61);
  });

  it('has no step before a song, and a key pressed then is not kept', () => {
    join.goToStep(99);
    join.press(60);
    expect(join.step()).toBeNull();
    expect(join.pressed()).toEqual([]);
  });

  it('takes keys of the screen for steps only while stepping', () => {
    table.get(ScreenKeyboard).press(69);
    table.settle();
    expect(join.pressed()).toEqual([]);
  });

  it('pins a finger on the key picked and lets it go', () => {
    at('fingers');
    const [first, second] = join.notes();
    expect(join.note()).toBe(first);
    join.noteBy(1);
    expect(join.note()).toBe(second);
    join.noteBy(-1);
    join.noteBy(-1);
    expect(join.note()).toBe(join.notes().at(-1));
    join.pickNote(first);
    join.pinFinger(4);
    table.settle();
    const arrangement = arrange(lanterns, DEFAULT_PROFILE);
    expect(table.edits).toEqual([
      { kind: 'finger-pinned', pin: { ...keyOfPin(first, arrangement.played), finger: 4 } },
    ]);
    expect(join.note()?.finger).toBe(4);
    expect(join.pinnedFinger()).toBe(4);
    join.releaseFinger();
    expect(table.song.fingerPins).toEqual([]);
    join.releaseFinger();
    expect(table.edits).toHaveLength(2);
  });

  it('offers the fingers the key could have, the one played first', () => {
    at('fingers');
    expect(join.otherFingers()[0]).toMatchObject({ finger: join.note()?.finger, others: 0 });
    join.chooseHand('left');
    table.settle();
    expect(join.note()?.hand).toBe('left');
    expect(join.otherFingers().map(({ finger }) => finger)).toContain(5);
  });

  it('leaves the fingers of a settled part as they were learned', () => {
    join.bench.settle(true);
    table.settle();
    at('fingers');
    const count = table.edits.length;
    join.pinFinger(1);
    expect(table.edits).toHaveLength(count);
  });

  it('shows on seam and keyboard what is picked or wanted', () => {
    const behaviour = table.get(JoinBehaviour);
    expect([behaviour.picked(), behaviour.shownTick(), join.keysToShow()]).toEqual([[], null, null]);
    at('fingers');
    // The tune begins on A with the third finger: the hand lies from F to C.
    expect(join.lies()).toEqual([{ hand: 'right', low: 65, high: 72 }]);
    expect(behaviour.picked()).toEqual([join.note()?.from]);
    expect(behaviour.shownTick()).toBe(0);
    expect(behaviour.pressNote('n2', false)).toBe(true);
    expect(join.note()?.from).toBe('n2');
    expect(behaviour.pressChange('c2')).toBe(true);
    expect(join.note()).toMatchObject({ hand: 'left', from: 'c2' });
    expect(behaviour.picked()).toEqual([]);
    at('steps');
    expect(behaviour.pressNote('n2', false)).toBe(true);
    expect(join.step()?.right.map(({ from }) => from)).toEqual(['n2']);
    expect(behaviour.pressNote('nowhere', false)).toBe(false);
    // The first step is one as well.
    expect(behaviour.pressNote('n1', false)).toBe(true);
    expect(behaviour.picked()).toEqual(['n1']);
    behaviour.leave();
    expect(join.tab()).toBe('why');
    expect([behaviour.pressNote('n2', false), behaviour.pressChange('c2')]).toEqual([false, false]);
  });

  it('marks the key beside the tune that is picked, and not the tune', () => {
    open(applyEdit(lanterns, { kind: 'choose', choices: { level: 6, fuller: 'under' } }));
    at('fingers');
    const [low, tune] = join.notes();
    expect([low.source, tune.source]).toEqual(['harmony', 'melody']);
    expect(table.get(JoinBehaviour).picked()).toEqual([`${low.from}:${low.midi}@${low.tick}`]);
    expect(table.get(JoinBehaviour).pressNote(tune.from, false, tune)).toBe(true);
    expect(join.note()).toBe(tune);
  });

  it('obeys its keys: tabs from everywhere, the rest while stepping or at the fingers', () => {
    const behaviour = table.get(JoinBehaviour);
    const arrows = ['ArrowRight', 'ArrowLeft', 'ArrowDown', 'ArrowUp', 'Enter', 'Delete', '5', '6'];
    for (const [key, tab] of [...'wpnfe'].map((k, i) => [
      k,
      ['why', 'patterns', 'steps', 'fingers', 'effort'][i],
    ])) {
      pressOn(behaviour, key);
      expect(join.tab()).toBe(tab);
      const asked = askedBy(behaviour, join, arrows).map((call) => call?.join(' ') ?? null);
      const stepping = ['stepBy 1', 'stepBy -1', 'hearStep', null, 'stepBy 1', null, null, null];
      const other = 'chooseHand left';
      const fingering = ['noteBy 1', 'noteBy -1', other, other, null, 'releaseFinger', 'pinFinger 5', null];
      const wanted = { steps: stepping, fingers: fingering }[tab] ?? arrows.map(() => null);
      expect([tab, asked]).toEqual([tab, wanted]);
    }
  });

  it('pins a finger and lets it go by its keys', () => {
    const behaviour = table.get(JoinBehaviour);
    for (const key of ['f', 'ArrowRight', '2']) pressOn(behaviour, key);
    expect(join.note()).toBe(join.notes()[1]);
    expect(table.song.fingerPins.map(({ finger }) => finger)).toEqual([2]);
    pressOn(behaviour, 'Delete');
    expect(table.song.fingerPins).toEqual([]);
    pressOn(behaviour, 'ArrowUp');
    expect(join.hand()).toBe('left');
  });
});

describe('a place', () => {
  it('is shown at speed, slowly, and with one hand, the part on screen staying', () => {
    const table = new Table(lanterns, ScreenKeyboard, JoinState);
    const join = table.get(JoinState);
    join.goToStep(2);
    for (const showing of SHOWINGS) join.hearBar(showing);
    expect(table.partAt(57600)).toBe(0);
    expect(
      table.plays.map(({ fromTick, toTick, tempoPercent, hands }) => [fromTick, toTick, tempoPercent, hands]),
    ).toEqual([
      [2880, 5760, 100, 'both'],
      [2880, 5760, 50, 'both'],
      [2880, 5760, 60, 'right'],
      [2880, 5760, 60, 'left'],
    ]);
  });
});
