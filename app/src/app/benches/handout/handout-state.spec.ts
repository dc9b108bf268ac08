import '@angular/compiler';
import { PRACTISE_SETTINGS } from '@joined-hands/core/practice';
import { DEFAULT_HANDOUT, type Drawn, type Handout } from '@joined-hands/core/sheets';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { EngraverClient } from '../../notation/engraver';
import { HandoutStore } from '../../storage/handout-store';
import { PracticeStore } from '../../storage/practice-store';
import { askedBy } from '../../testing/keys';
import { Table } from '../../testing/table';
import { HandoutBehaviour } from './handout-behaviour';
import { HandoutState } from './handout-state';

const [, sluicegate] = DEMO_SONGS;

describe('the Handout bench', () => {
  let table: Table;
  let handout: HandoutState;
  let stored: Handout[];
  let failing = '';
  let unsettled = '';
  /** What the engraver gives for every score. */
  let drawn: Promise<readonly Drawn[]> = Promise.resolve([]);
  const open = async (first: Handout = DEFAULT_HANDOUT): Promise<void> => {
    stored = [];
    failing = unsettled = '';
    const store = {
      get: async () => {
        if (failing) throw new Error(failing);
        return first;
      },
      save: async (_: string, chosen: Handout) => {
        if (failing) throw new Error(failing);
        stored.push(chosen);
      },
    };
    table = new Table(
      sluicegate,
      HandoutState,
      HandoutBehaviour,
      { provide: HandoutStore, useValue: store },
      { provide: EngraverClient, useValue: { systems: () => drawn } },
      {
        provide: PracticeStore,
        useValue: {
          settings: async () => {
            if (unsettled) throw new Error(unsettled);
            return PRACTISE_SETTINGS;
          },
        },
      },
    );
    handout = table.get(HandoutState);
    handout.isOpen.set(true);
    await settled();
  };
  const settled = async (): Promise<void> => {
    for (let i = 0; i < 4; i++) {
      table.settle();
      await Promise.resolve();
    }
  };
  const sheets = (): string[] => (handout.pages() ?? []).map(({ sheet }) => sheet);
  beforeEach(() => open());

  it('lays out the sheets chosen, with those remembered of the song', async () => {
    expect(sheets()).toEqual(['title', 'legend', 'parts', 'parts']);
    await open({ sheets: ['plan', 'title'], paper: { ...DEFAULT_HANDOUT.paper, isDesk: true } });
    expect(sheets()[0]).toBe('plan');
    expect(sheets().at(-1)).toBe('title');
    expect(handout.chosen().map(({ id }) => id)).toEqual(['plan', 'title']);
    expect(handout.others().map(({ id }) => id)).toEqual([
      'legend',
      'parts',
      'staves',
      'lead',
      'score',
      'words',
      'meetings',
      'singing',
    ]);
  });

  it('shows the sheets that need no engraver while it draws the others, and does not give them for all', async () => {
    drawn = new Promise(() => undefined);
    await open({ ...DEFAULT_HANDOUT, sheets: ['title', 'score', 'legend'] });
    expect(sheets()).toEqual(['title', 'legend']);
    expect(handout.isLaidOut()).toBe(false);
    await open({ ...DEFAULT_HANDOUT, sheets: ['score'] });
    expect(handout.pages()).toBe(null);
    drawn = Promise.resolve([]);
    await open({ ...DEFAULT_HANDOUT, sheets: ['title', 'score'] });
    expect([sheets(), handout.isLaidOut()]).toEqual([['title', 'score'], true]);
  });

  it('remembers each choice, and lays out anew', async () => {
    handout.choose('words', true);
    handout.move('words', -1);
    handout.setPaper({ size: 'letter' });
    await settled();
    expect(stored.map(({ sheets: list, paper }) => [list.join(' '), paper.size])).toEqual([
      ['title legend parts words', 'a4'],
      ['title legend words parts', 'a4'],
      ['title legend words parts', 'letter'],
    ]);
    expect(sheets()).toEqual(['title', 'legend', 'words', 'parts', 'parts']);
    expect(handout.pages()?.[0].svg).toContain('width="215.9mm"');
  });

  it('follows the song: another level is another sheet', async () => {
    const before = handout
      .pages()
      ?.map(({ svg }) => svg)
      .join('');
    table.get(HandoutState).bench.edit({ kind: 'choose', choices: { level: 2 } });
    await settled();
    expect(
      handout
        .pages()
        ?.map(({ svg }) => svg)
        .join(''),
    ).not.toBe(before);
    expect(handout.pages()?.[0].svg).toContain('2, melody and bass notes');
  });

  it('turns pages, to the first and the last and no further', async () => {
    const seen = [-1, 1, 1, 1, 1, 1, -1].map((by) => {
      handout.turn(by as 1);
      return handout.page();
    });
    expect(seen).toEqual([0, 1, 2, 3, 3, 3, 2]);
    handout.choose('parts', false);
    await settled();
    expect(handout.page()).toBe(1);
  });

  it('says what could not be stored or read, and shows the sheets all the same', async () => {
    failing = 'the disk is full';
    handout.choose('plan', true);
    await settled();
    expect(handout.problem()).toBe(
      'What you chose could not be stored: the disk is full. It will be lost when you close this page.',
    );
    expect(sheets()).toContain('plan');
    // What is stored again takes it back.
    failing = '';
    handout.choose('plan', false);
    await settled();
    expect(handout.problem()).toBe('');
  });

  it('prints by the browser, where there is something to print', async () => {
    const print = vi.fn();
    vi.stubGlobal('window', { print });
    await handout.print();
    expect(print).toHaveBeenCalledTimes(1);
    for (const { id } of handout.chosen()) handout.choose(id, false);
    await settled();
    expect(handout.pages()).toEqual([]);
    await handout.print();
    expect(print).toHaveBeenCalledTimes(1);
    vi.unstubAllGlobals();
  });

  it('prints what was chosen last, not what is still shown: pages and paper go together', async () => {
    const printed: string[] = [];
    const width = () => /width="([\d.]+mm)"/.exec(handout.pages()?.[0].svg ?? '')?.[1];
    const seen = () => `${handout.isLaidOut()} ${handout.paper().size} ${width()} ${sheets().length}`;
    vi.stubGlobal('window', { print: () => printed.push(seen()) });
    expect(seen()).toBe('true a4 210mm 4');
    handout.setPaper({ size: 'letter' });
    handout.choose('legend', false);
    expect(seen()).toBe('false a4 210mm 4');
    const printing = handout.print();
    expect(printed).toEqual([]);
    await settled();
    await printing;
    expect(printed).toEqual(['true letter 215.9mm 3']);
    handout.bench.edit({ kind: 'choose', choices: { level: 2 } });
    expect(handout.isLaidOut()).toBe(false);
    await settled();
    expect(handout.isLaidOut()).toBe(true);
    vi.unstubAllGlobals();
  });

  it('prints once however often it is pressed while pages are laid out, and the last that were chosen', async () => {
    const printed: (string | undefined)[] = [];
    vi.stubGlobal('window', { print: () => printed.push(`${sheets().join(' ')} ${handout.paper().size}`) });
    handout.setPaper({ size: 'letter' });
    const printing = [handout.print(), handout.print()];
    await Promise.resolve();
    handout.choose('legend', false);
    handout.choose('parts', false);
    await settled();
    await Promise.all(printing);
    expect(printed).toEqual(['title letter']);
    vi.unstubAllGlobals();
  });

  it('prints nothing later when the bench is left before the pages are there', async () => {
    const print = vi.fn();
    vi.stubGlobal('window', { print });
    handout.setPaper({ size: 'letter' });
    const [printing, current] = [handout.print(), handout.current().catch((error: Error) => error.message)];
    handout.isOpen.set(false);
    await settled();
    await printing;
    expect(await current).toBe('the Handout bench was left');
    handout.isOpen.set(true);
    await settled();
    expect([handout.isLaidOut(), print.mock.calls.length]).toEqual([true, 0]);
    vi.unstubAllGlobals();
  });

  it('says when the sheets cannot be laid out, prints nothing then, and goes on with the next choice', async () => {
    const print = vi.fn();
    vi.stubGlobal('window', { print });
    unsettled = 'the disk is gone';
    handout.choose('plan', true);
    const [printing, current] = [handout.print(), handout.current().catch((error: Error) => error.message)];
    await settled();
    await printing;
    expect(print).not.toHaveBeenCalled();
    expect(await current).toBe('the sheets could not be laid out');
    await expect(handout.current()).rejects.toThrow('the sheets could not be laid out');
    expect(handout.problem()).toBe(
      'The sheets could not be laid out: the disk is gone. Leave one out and try again.',
    );
    expect([handout.isLaidOut(), sheets()]).toEqual([false, ['title', 'legend', 'parts', 'parts']]);
    unsettled = '';
    handout.choose('plan', false);
    await settled();
    expect([handout.isLaidOut(), handout.problem()]).toEqual([true, '']);
    expect((await handout.current()).paper).toEqual(DEFAULT_HANDOUT.paper);
    vi.unstubAllGlobals();
  });

  it('prints and turns pages by its keys', () => {
    const behaviour = table.get(HandoutBehaviour);
    const keys = ['p', 'ArrowRight', 'PageDown', 'ArrowLeft', 'PageUp', 'x'];
    const [on, back] = [
      ['turn', 1],
      ['turn', -1],
    ];
    expect(askedBy(behaviour, handout, keys)).toEqual([['print'], on, on, back, back, null]);
  });
});
