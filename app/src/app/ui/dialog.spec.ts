import type { NzModalService } from 'ng-zorro-antd/modal';
import { describe, expect, it, vi } from 'vitest';
import { openDialog } from './dialog';

describe('a dialog', () => {
  const opened = (element?: object) => {
    const dialog = { getElement: () => element };
    const create = vi.fn(() => dialog);
    return { create, dialog, modal: { create } as unknown as NzModalService };
  };

  it('has its title for a name, for those who hear the page, and no buttons of its own', () => {
    const said: string[][] = [];
    const { create, dialog, modal } = opened({ setAttribute: (...pair: string[]) => said.push(pair) });
    expect(openDialog(modal, { nzTitle: 'Export', nzWidth: 600 })).toBe(dialog);
    expect(create).toHaveBeenCalledExactlyOnceWith({ nzFooter: null, nzTitle: 'Export', nzWidth: 600 });
    expect(said).toEqual([
      ['aria-label', 'Export'],
      ['aria-modal', 'true'],
    ]);
  });

  it('keeps buttons it is given, and opens before its element is there', () => {
    const { create, dialog, modal } = opened();
    expect(openDialog(modal, { nzTitle: 'Help', nzFooter: [] })).toBe(dialog);
    expect(create).toHaveBeenCalledExactlyOnceWith({ nzFooter: [], nzTitle: 'Help' });
  });
});
