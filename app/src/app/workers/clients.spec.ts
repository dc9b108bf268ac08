import '@angular/compiler';
import { Injector, signal } from '@angular/core';
import { arrange } from '@joined-hands/core/arrange';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { applyEdit, DEFAULT_PROFILE, type Song, type SongEdit } from '@joined-hands/core/song';
import { Store } from '@ngrx/store';
import { expose } from 'comlink';
import { lastValueFrom, type Observable, toArray } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { Problems } from '../ui/problems';
import { ArrangerClient } from './arranger';
import { type Arranger, arranging } from './arranging';
import { Asker } from './asker';
import { asking } from './asking';
import type { SongMessage } from './songs-known';

const [lanterns, sluicegate] = DEMO_SONGS;
const level = (n: number): SongEdit => ({ kind: 'choose', choices: { level: n } });

/** Workers that run here: what is sent is cloned as between threads, and written down. */
const sent: unknown[] = [];
/** Ways of their own that went with what was sent. */
let ways = 0;
const ports: MessagePort[] = [];
const arrangers: Arranger[] = [];
class WorkerHere {
  constructor(url: URL) {
    const { port1, port2 } = new MessageChannel();
    const arranger = arranging();
    arrangers.push(arranger);
    expose(url.pathname.endsWith('ask.worker') ? asking() : arranger, port2 as never);
    const post = port1.postMessage.bind(port1);
    port1.postMessage = (message: { argumentList?: { value: unknown }[] }, transfer: never) => {
      for (const { value } of message.argumentList ?? []) sent.push(value);
      ways += (transfer as unknown[] | undefined)?.length ?? 0;
      post(message, transfer);
    };
    ports.push(port1, port2);
    return port1 as unknown as WorkerHere;
  }
}

/** What told the worker of the song: whole, by an edit, or by number alone. */
function told(): string[] {
  return sent.flatMap((value) => {
    const message = value as Partial<SongMessage>;
    if (typeof value !== 'object' || value === null || !('number' in value)) return [];
    return [message.whole ? 'whole' : message.edited ? 'edit' : 'number'];
  });
}

describe('the clients of the workers', () => {
  let client: ArrangerClient;
  let asker: Asker;
  const shown = signal<Song | null>(null);
  const problems = new Problems();

  beforeEach(() => {
    vi.stubGlobal('Worker', WorkerHere);
    sent.length = 0;
    ways = 0;
    const injector = Injector.create({
      providers: [
        { provide: ArrangerClient },
        { provide: Asker },
        { provide: Problems, useValue: problems },
        { provide: Store, useValue: { selectSignal: () => shown } },
      ],
    });
    client = injector.get(ArrangerClient);
    asker = injector.get(Asker);
  });
  afterEach(async () => {
    // A worker that has been idle thinks ahead. Here all share one memory of the last song: none goes on into the next test.
    const newest = [Infinity, { number: -1, edited: null, whole: null }, DEFAULT_PROFILE, 0] as const;
    for (const arranger of arrangers.splice(0)) await arranger.arrange(...newest);
    for (const port of ports.splice(0)) port.close();
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });

  const all = (arranging: Observable<Arrangement>): Promise<Arrangement[]> =>
    lastValueFrom(arranging.pipe(toArray()), { defaultValue: [] });

  /** A clock that goes on by so many milliseconds whenever it is looked at. */
  const clockBy = (step: number): void => {
    let now = 0;
    vi.spyOn(performance, 'now').mockImplementation(() => (now += step));
  };

  it('give the whole at once where it is known within a slice', async () => {
    clockBy(0);
    const came = await all(client.arrange(lanterns, DEFAULT_PROFILE, 2, null));
    expect(came.map(({ isPartial }) => isPartial)).toEqual([false]);
  });

  it('give the part on screen, then the whole, each as the core makes it', async () => {
    clockBy(20);
    const [first, whole] = await all(client.arrange(lanterns, DEFAULT_PROFILE, 2, null));
    const expected = arrange(lanterns, DEFAULT_PROFILE);
    expect([first.isPartial, whole.isPartial]).toEqual([true, false]);
    expect(first.arranged[2]).toEqual(expected.arranged[2]);
    expect(first.arranged.filter((part) => part !== null)).toHaveLength(1);
    expect(whole.right).toEqual(expected.right);
    expect(whole.left).toEqual(expected.left);
    expect(whole.findings).toEqual(expected.findings);
    expect(whole.song).toBe(lanterns);
  });

  it('name a song first, send it whole where it is not known, then what edits do to it', async () => {
    await all(client.arrange(lanterns, DEFAULT_PROFILE, 0, null));
    const five = applyEdit(lanterns, level(5));
    const whole = (await all(client.arrange(five, DEFAULT_PROFILE, 0, level(5)))).at(-1);
    expect(told()).toEqual(['number', 'whole', 'edit']);
    expect(whole?.left).toEqual(arrange(five, DEFAULT_PROFILE).left);
  });

  it('leave the parts that an edit does not touch the very objects they were', async () => {
    clockBy(20);
    const [, before] = await all(client.arrange(lanterns, DEFAULT_PROFILE, 0, null));
    const edit: SongEdit = { kind: 'choose-for-part', cutId: before.parts[5].cutId, choices: { level: 5 } };
    const edited = applyEdit(lanterns, edit);
    const [, after] = await all(client.arrange(edited, DEFAULT_PROFILE, 0, edit));
    const untouched = after.arranged.flatMap((part, i) => (part === before.arranged[i] ? [i] : []));
    expect([before.arranged.length, untouched]).toEqual([6, [0, 1, 2, 3, 4]]);
  });

  it('send another song whole', async () => {
    await all(client.arrange(lanterns, DEFAULT_PROFILE, 0, null));
    const whole = (await all(client.arrange(sluicegate, DEFAULT_PROFILE, 0, null))).at(-1);
    expect(told()).toEqual(['number', 'whole', 'number', 'whole']);
    expect(whole?.song.title).toBe('Sluicegate Song');
  });

  it('come over one way, whatever is asked: on ways of their own what was sent last could come first, and lean on what has not come', async () => {
    clockBy(20);
    let song = lanterns;
    const asked = [client.arrange(lanterns, DEFAULT_PROFILE, 0, null)];
    for (const n of [5, 6, 7, 5]) {
      const edited = applyEdit(song, level(n));
      asked.push(client.arrange(edited, DEFAULT_PROFILE, 0, level(n)));
      song = edited;
    }
    const came = await Promise.all(asked.map(all));
    expect(ways).toBe(1);
    expect(came.at(-1)?.at(-1)?.left).toEqual(arrange(song, DEFAULT_PROFILE).left);
    const again = applyEdit(song, level(4));
    const [, whole] = await all(client.arrange(again, DEFAULT_PROFILE, 0, level(4)));
    expect([ways, whole.left]).toEqual([1, arrange(again, DEFAULT_PROFILE).left]);
  });

  it('let a newer request win: the older one ends without its whole', async () => {
    const five = applyEdit(lanterns, level(5));
    const older = all(client.arrange(lanterns, DEFAULT_PROFILE, 0, null));
    const newer = all(client.arrange(five, DEFAULT_PROFILE, 0, level(5)));
    expect((await older).filter((a) => !a.isPartial)).toEqual([]);
    expect((await newer).at(-1)?.song).toBe(five);
  });

  it('take up what was begun before it was asked for, as what is asked for now', async () => {
    client.begin(lanterns, DEFAULT_PROFILE, 2);
    const profile = { ...DEFAULT_PROFILE };
    const whole = (await all(client.arrange(lanterns, profile, 2, null))).at(-1);
    expect(told()).toEqual(['number', 'whole']);
    expect(whole?.left).toEqual(arrange(lanterns, DEFAULT_PROFILE).left);
    expect([whole?.song, whole?.profile, whole?.isPartial]).toEqual([lanterns, profile, false]);
    expect(whole?.profile).toBe(profile);
  });

  it('take up what has come already, and take it up once', async () => {
    client.begin(lanterns, DEFAULT_PROFILE, 0);
    await all(client.arrange(lanterns, DEFAULT_PROFILE, 0, null));
    client.begin(lanterns, DEFAULT_PROFILE, 0);
    await vi.waitFor(() => expect(told()).toHaveLength(3));
    await new Promise((resolve) => setTimeout(resolve, 50));
    const came = await all(client.arrange(lanterns, DEFAULT_PROFILE, 0, null));
    expect([came.map(({ isPartial }) => isPartial), told().length]).toEqual([[false], 3]);
    await all(client.arrange(lanterns, DEFAULT_PROFILE, 0, null));
    expect(told()).toHaveLength(4);
  });

  it.each([
    ['song', sluicegate, DEFAULT_PROFILE, 0],
    ['profile', lanterns, { ...DEFAULT_PROFILE, leftReach: 6 }, 0],
    ['part', lanterns, DEFAULT_PROFILE, 1],
  ] as const)('begin anew for another %s than was begun', async (_, song, profile, part) => {
    clockBy(20);
    client.begin(lanterns, DEFAULT_PROFILE, 0);
    const [first, whole] = await all(client.arrange(song, profile, part, null));
    expect(first.arranged[part]).toEqual(arrange(song, profile).arranged[part]);
    expect([whole.song, whole.profile]).toEqual([song, profile]);
    expect(whole.left).toEqual(arrange(song, profile).left);
  });

  it('say what could not be arranged, and arrange what comes after it', async () => {
    const damaged = { ...lanterns, metreMap: [] };
    await expect(all(client.arrange(damaged, DEFAULT_PROFILE, 0, null))).rejects.toThrow();
    const whole = (await all(client.arrange(lanterns, DEFAULT_PROFILE, 0, null))).at(-1);
    expect(whole?.left).toEqual(arrange(lanterns, DEFAULT_PROFILE).left);
  });

  it('answer questions about the song sent, and send it once', async () => {
    const facts = await asker.ask(lanterns, DEFAULT_PROFILE, { kind: 'facts' });
    expect(facts).toEqual({ parts: 6, seconds: 45 });
    const found = await asker.ask(lanterns, DEFAULT_PROFILE, { kind: 'keys' });
    expect(found[0].key).toMatchObject({ mode: 'minor' });
    expect(told()).toEqual(['number', 'whole', 'number']);
  });

  it('drop an answer that comes for another song than the one shown', async () => {
    const came: string[] = [];
    shown.set(sluicegate);
    asker.answer({ song: lanterns, profile: DEFAULT_PROFILE }, { kind: 'keys' }, () => came.push('lanterns'));
    asker.answer({ song: sluicegate, profile: DEFAULT_PROFILE }, { kind: 'keys' }, () =>
      came.push('sluicegate'),
    );
    await asker.ask(sluicegate, DEFAULT_PROFILE, { kind: 'facts' });
    expect(came).toEqual(['sluicegate']);
  });

  it('say what could not be answered', async () => {
    shown.set(lanterns);
    asker.answer(
      { song: lanterns, profile: DEFAULT_PROFILE },
      {
        kind: 'trial',
        edit: { kind: 'transposed', key: { tonic: 'nonsense', mode: 'minor' }, semitones: 1 } as never,
      },
      () => undefined,
    );
    await vi.waitFor(() =>
      expect(problems.sentence()).toMatch(/^A question about the song could not be answered: /),
    );
  });

  it('give an arrangement ready to be heard, without fingers', async () => {
    const heard = await asker.heard(lanterns, DEFAULT_PROFILE, { kind: 'trial', edit: level(5) });
    const expected = arrange(applyEdit(lanterns, level(5)), DEFAULT_PROFILE, { withoutFingers: true });
    expect(heard.left.map((n) => [n.tick, n.midi, n.finger])).toEqual(
      expected.left.map((n) => [n.tick, n.midi, n.finger]),
    );
  });
});
