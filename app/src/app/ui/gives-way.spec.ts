// @vitest-environment happy-dom
import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { giveWay } from './gives-way';

describe('a button that goes with its press', () => {
  beforeEach(() => {
    document.body.innerHTML = `<section id="all"><ul>
      <li id="one"><ul><li id="inner"><button>Ignore</button></li></ul></li>
      <li id="two"><button>Ignore</button></li>
      <li id="three"><button>Ignore</button></li>
    </ul></section><input id="elsewhere" />`;
  });
  afterEach(() => {
    vi.useRealTimers();
    document.body.innerHTML = '';
  });
  const press = (id: string, selector?: string): void => {
    const button = document.querySelector<HTMLElement>(`#${id} button`);
    button?.focus();
    if (button) giveWay(button, selector);
  };
  const remove = async (id: string): Promise<void> => {
    document.getElementById(id)?.remove();
    await new Promise((resolve) => setTimeout(resolve, 5));
  };
  const focused = (): string | undefined => document.activeElement?.id;

  it('leaves the focus to the row it stands in, marked for the eye', () => {
    press('two');
    expect(focused()).toBe('two');
    expect(document.getElementById('two')?.className).toBe('handed');
    press('one');
    expect(focused()).toBe('inner');
    press('one', '#one');
    expect(focused()).toBe('one');
  });

  it('leaves it to the row that follows where its own goes, to the last after the last', async () => {
    press('two');
    await remove('two');
    expect(focused()).toBe('three');
    press('three');
    await remove('three');
    expect(focused()).toBe('one');
  });

  it('leaves it to the nearest thing round it that is there and says something, where no row is left', async () => {
    press('two');
    await remove('all');
    expect(document.activeElement).toBe(document.body);
    for (const gone of ['list', 'one']) {
      document.body.innerHTML =
        '<section id="all"><h3>Findings</h3><div id="empty"><ul id="list"><li id="one"><button>x</button></li></ul></div></section>';
      press('one');
      await remove(gone);
      expect(focused()).toBe('all');
    }
    document.body.innerHTML =
      '<section id="all"><div id="round"><h3>Findings</h3><ul id="list"><li id="one"><button>x</button></li></ul></div></section>';
    press('one');
    await remove('list');
    expect(focused()).toBe('round');
  });

  it('takes it from nobody who has it', async () => {
    press('two');
    document.getElementById('elsewhere')?.focus();
    await remove('two');
    expect(focused()).toBe('elsewhere');
  });

  it('looks on for three seconds', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    press('two');
    vi.advanceTimersByTime(2999);
    expect(vi.getTimerCount()).toBe(1);
    vi.advanceTimersByTime(1);
    expect(vi.getTimerCount()).toBe(0);
    vi.useRealTimers();
    await remove('two');
    expect(focused()).not.toBe('three');
  });
});
