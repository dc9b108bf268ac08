import { describe, expect, it } from 'vitest';
import type { Focus, KeyPress } from '../../frame/keys/commands';
import { NOWHERE, press } from '../../testing/keys';
import { fillsCommandFor } from './fills-commands';
import type { FillsJob } from './fills-state';

const read = (
  key: string,
  job: FillsJob = 'places',
  focus: Partial<Focus> = {},
  differs: Partial<KeyPress> = {},
  areOn = true,
) => fillsCommandFor(press(key, differs), { ...NOWHERE, ...focus }, areOn, job);

describe('keys of the Fills bench', () => {
  it('go to its jobs from any of them', () => {
    for (const job of ['places', 'version', 'frame', 'grow'] as const)
      expect(['w', 'M', 'f', 'g', 'z'].map((key) => read(key, job))).toEqual([
        { kind: 'job', job: 'places' },
        { kind: 'job', job: 'version' },
        { kind: 'job', job: 'frame' },
        { kind: 'job', job: 'grow' },
        null,
      ]);
  });

  it('go through places and proposals, take and leave out', () => {
    expect(
      ['ArrowRight', 'ArrowLeft', 'ArrowDown', 'ArrowUp', 'Enter', 'Delete', 'Backspace', '1'].map((key) =>
        read(key),
      ),
    ).toEqual([
      { kind: 'spot', by: 1 },
      { kind: 'spot', by: -1 },
      { kind: 'try', by: 1 },
      { kind: 'try', by: -1 },
      { kind: 'take' },
      { kind: 'leave-out' },
      { kind: 'leave-out' },
      null,
    ]);
    expect(['ArrowRight', 'Enter', 'Delete'].map((key) => read(key, 'version'))).toEqual([null, null, null]);
  });

  it('leave buttons, fields, dialogs and other keys what is theirs', () => {
    expect(read('Enter', 'places', { onControl: true })).toBeNull();
    expect(read('ArrowRight', 'places', { onRadio: true })).toBeNull();
    expect(read('w', 'places', { inField: true })).toBeNull();
    expect(read('w', 'places', { inDialog: true })).toBeNull();
    expect(read('w', 'places', {}, {}, false)).toBeNull();
    for (const key of ['altKey', 'ctrlKey', 'metaKey'])
      expect(read('w', 'places', {}, { [key]: true })).toBeNull();
  });
});
