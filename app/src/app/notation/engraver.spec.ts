import '@angular/compiler';
import type { Drawn } from '@joined-hands/core/sheets';
import { expose } from 'comlink';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { EngraverClient } from './engraver';

const system = (svg: string): Drawn => ({ svg, viewBox: '0 0 1 1', aspect: 1, bars: 1 });

/** Workers that are a channel each: what is asked is noted, a score "bad" fails. */
function channels(): { readonly asked: string[]; readonly made: () => number; readonly gone: () => number } {
  const asked: string[] = [];
  let [made, gone] = [0, 0];
  vi.stubGlobal(
    'Worker',
    class {
      constructor() {
        made++;
        const { port1, port2 } = new MessageChannel();
        const systems = async (score: string): Promise<Drawn[]> => {
          asked.push(score);
          if (score === 'bad') throw new Error('the engraver could not read the score');
          return [system(score)];
        };
        expose({ systems }, port2);
        return Object.assign(port1, {
          terminate: () => {
            gone++;
            port1.close();
          },
        });
      }
    },
  );
  return { asked, made: () => made, gone: () => gone };
}

afterEach(() => vi.unstubAllGlobals());

describe('the engraver as the application asks it', () => {
  it('draws one score after the other, in the worker it has loaded', async () => {
    const worker = channels();
    const engraver = new EngraverClient();
    const drawn = await Promise.all(['a', 'b', 'c'].map((score) => engraver.systems(score, { width: 20 })));
    expect(drawn.map(([{ svg }]) => svg)).toEqual(['a', 'b', 'c']);
    expect([worker.asked, worker.made()]).toEqual([['a', 'b', 'c'], 1]);
  });

  it('says what failed, lets go of the worker, and draws the next in another', async () => {
    const worker = channels();
    const engraver = new EngraverClient();
    await expect(engraver.systems('bad', { width: 20 })).rejects.toThrow('could not read');
    expect(await engraver.systems('good', { width: 20 })).toEqual([system('good')]);
    expect([worker.made(), worker.gone()]).toEqual([2, 1]);
  });
});
