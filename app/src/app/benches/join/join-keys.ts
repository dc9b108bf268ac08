import type { BenchKey } from '../../frame/keys/bench-keys';
import type { ByHandState } from './by-hand-state';
import type { JoinState } from './join-state';

const FINGERS = [1, 2, 3, 4, 5];

/** The keys of the Join bench, beside those of every bench. */
export function joinKeys(join: JoinState, own: ByHandState): readonly BenchKey[] {
  const byHand = (): boolean => join.tab() === 'hand';
  const [earlier, later] = [-1, 1].map(
    (by) => (): void => own.change({ kind: 'shifted', ticks: by * own.half() }),
  );
  const isStepping = (): boolean => join.tab() === 'steps';
  const atFingers = (): boolean => join.tab() === 'fingers';
  const otherHand = (): void => join.chooseHand(join.hand() === 'right' ? 'left' : 'right');
  return [
    {
      keys: 'W  P  N  F  H  E',
      does: 'the part, its patterns, step through it, fingers, notes by hand, difficulty',
      run: {
        w: () => join.tab.set('why'),
        p: () => join.tab.set('patterns'),
        n: () => join.tab.set('steps'),
        f: () => join.tab.set('fingers'),
        h: () => join.tab.set('hand'),
        e: () => join.tab.set('effort'),
      },
    },
    {
      keys: '←  →  Enter',
      does: 'while stepping: back, on',
      when: isStepping,
      run: {
        ArrowLeft: () => join.stepBy(-1),
        ArrowRight: () => join.stepBy(1),
        Enter: () => join.stepBy(1),
      },
    },
    {
      keys: '↓',
      does: 'while stepping: hear what is wanted',
      when: isStepping,
      run: { ArrowDown: () => join.hearStep() },
    },
    {
      keys: '←  →',
      does: 'at the fingers: the note before, the next',
      when: atFingers,
      run: { ArrowLeft: () => join.noteBy(-1), ArrowRight: () => join.noteBy(1) },
    },
    {
      keys: '1 … 5',
      does: 'at the fingers: this finger on the selected note; Delete lets it go',
      when: atFingers,
      run: {
        ...Object.fromEntries(FINGERS.map((finger) => [finger, () => join.pinFinger(finger)])),
        Delete: () => join.releaseFinger(),
        Backspace: () => join.releaseFinger(),
      },
    },
    {
      keys: '↑  ↓',
      does: 'at the fingers: the other hand',
      when: atFingers,
      run: { ArrowUp: otherHand, ArrowDown: otherHand },
    },
    {
      keys: '←  →',
      does: 'by hand: the note before, the next',
      when: byHand,
      run: { ArrowLeft: () => own.noteBy(-1), ArrowRight: () => own.noteBy(1) },
    },
    {
      keys: '↑  ↓',
      does: 'by hand: a letter up, down; Shift: a half step; Ctrl: an octave',
      when: byHand,
      run: {
        ArrowUp: () => own.change({ kind: 'moved', steps: 1 }),
        ArrowDown: () => own.change({ kind: 'moved', steps: -1 }),
        'Shift+ArrowUp': () => own.change({ kind: 'moved', semitones: 1 }),
        'Shift+ArrowDown': () => own.change({ kind: 'moved', semitones: -1 }),
        'Ctrl+ArrowUp': () => own.change({ kind: 'moved', semitones: 12 }),
        'Ctrl+ArrowDown': () => own.change({ kind: 'moved', semitones: -12 }),
      },
    },
    {
      keys: ',  .  <  >  Delete',
      does: 'by hand: shorter, longer, earlier, later, left out',
      when: byHand,
      run: {
        ',': () => own.change({ kind: 'lengthened', ticks: -own.half() }),
        '.': () => own.change({ kind: 'lengthened', ticks: own.half() }),
        '<': earlier,
        ';': earlier,
        '>': later,
        ':': later,
        Delete: () => own.change({ kind: 'left-out' }),
        Backspace: () => own.change({ kind: 'left-out' }),
      },
    },
    {
      keys: 'T',
      does: 'by hand: type its letters',
      when: byHand,
      run: {
        t: () => document.querySelector<HTMLTextAreaElement>('#own-letters')?.select(),
      },
    },
  ];
}
