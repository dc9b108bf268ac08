import { DEFAULT_PROFILE, type Profile, type Song, type SongEdit } from '@joined-hands/core/song';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { arranging } from './arranging';

const [lanterns, sluicegate] = DEMO_SONGS;
const pattern = (id: string): SongEdit => ({ kind: 'choose', choices: { pattern: id } });

/** Those that may still be thinking. */
const endless: ReturnType<typeof arranging>[] = [];

/** Thoughts that take as many slices as they are given: of which song, with what offered, and how far they came. */
function thinking(slices: number) {
  const thoughts: { title: string; offered: readonly SongEdit[]; slices: number }[] = [];
  function* ahead(song: Song, _: Profile, offered: readonly SongEdit[] = []): Generator<null, void> {
    const thought = { title: song.title, offered, slices: 0 };
    thoughts.push(thought);
    for (let i = 0; i < slices; i++) {
      thought.slices++;
      yield null;
    }
  }
  const arranger = arranging(ahead);
  endless.push(arranger);
  const arrange = (job: number, song: Song): Promise<boolean> =>
    arranger.arrange(job, { number: job, edited: null, whole: song }, DEFAULT_PROFILE, 0);
  return { thoughts, arranger, arrange };
}

const afterIdling = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 450));

describe('what is worked out while nothing is asked', () => {
  afterEach(async () => {
    vi.restoreAllMocks();
    for (const arranger of endless.splice(0))
      await arranger.arrange(Infinity, { number: -1, edited: null, whole: null }, DEFAULT_PROFILE, 0);
  });

  it('begins when nothing was asked for a while, with what the screen offers; nothing before there is a song', async () => {
    const { thoughts, arranger, arrange } = thinking(3);
    arranger.offer([pattern('rocking')]);
    await afterIdling();
    expect(thoughts).toEqual([]);
    expect(await arrange(1, lanterns)).toBe(true);
    expect(thoughts).toEqual([]);
    await afterIdling();
    expect(thoughts).toEqual([{ title: lanterns.title, offered: [pattern('rocking')], slices: 3 }]);
  });

  it('begins anew with what is offered next, and leaves what was offered before', async () => {
    const { thoughts, arranger, arrange } = thinking(Infinity);
    await arrange(1, lanterns);
    await afterIdling();
    arranger.offer([pattern('rocking')]);
    arranger.offer([pattern('block')]);
    await afterIdling();
    expect(thoughts.map(({ offered }) => offered)).toEqual([[], [pattern('block')]]);
    const [before] = thoughts.map(({ slices }) => slices);
    await arrange(2, sluicegate);
    expect(thoughts[0].slices).toBe(before);
  });

  it('stops when something is asked, and goes on with that', async () => {
    const { thoughts, arrange } = thinking(Infinity);
    await arrange(1, lanterns);
    await afterIdling();
    const asked = arrange(2, sluicegate);
    const { slices } = thoughts[0];
    expect(slices).toBeGreaterThan(1);
    await asked;
    await afterIdling();
    expect(thoughts.map(({ title }) => title)).toEqual([lanterns.title, sluicegate.title]);
    expect(thoughts[0].slices).toBe(slices);
  });

  it('is nothing for a song that takes long: it would be in the way', async () => {
    const { thoughts, arrange } = thinking(1);
    let now = 0;
    vi.spyOn(performance, 'now').mockImplementation(() => (now += 40));
    await arrange(1, lanterns);
    await afterIdling();
    expect(thoughts).toEqual([]);
  });
});
