import type { BenchKey } from '../../frame/keys/bench-keys';
import type { JoinState } from './join-state';

const FINGERS = [1, 2, 3, 4, 5];

/** The keys of the Join bench, beside those of every bench. */
export function joinKeys(join: JoinState): readonly BenchKey[] {
  const isStepping = (): boolean => join.tab() === 'steps';
  const atFingers = (): boolean => join.tab() === 'fingers';
  const otherHand = (): void => join.chooseHand(join.hand() === 'right' ? 'left' : 'right');
  return [
    {
      keys: 'W  P  N  F  E',
      does: 'the part, its patterns, step through it, fingers, difficulty',
      run: {
        w: () => join.tab.set('why'),
        p: () => join.tab.set('patterns'),
        n: () => join.tab.set('steps'),
        f: () => join.tab.set('fingers'),
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
  ];
}
