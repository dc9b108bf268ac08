import type { BenchState } from '../bench-state';
import type { Playing } from '../playing';
import { BENCHES } from '../registry';
import type { BenchKey } from './bench-keys';

/** The frame as keys act on it. */
export interface Commanded {
  readonly bench: BenchState;
  readonly playing: Playing;
  /** Leaves what is open or being done. */
  leave(): void;
  /** The next rows of the part, or the part after; or back. */
  turn(by: 1 | -1): void;
  /** Goes to the next place where one works, or to the one before. */
  goToNextPlace(by: 1 | -1): void;
  /** Goes to a bench by its number in the header, from 1; to none where there is no such bench. */
  goToBench(number: number): void;
}

/** A key of every bench, with what it needs to be of use there. */
export interface FrameKey extends BenchKey {
  readonly needs?: 'seam' | 'voicings';
}

/** The keys of every bench; digits are joined to numbers first. */
export function frameKeys(frame: Commanded): readonly FrameKey[] {
  const { bench, playing } = frame;
  const hear = (hands: 'right' | 'left' | 'both') => (): void => {
    bench.move({ hands });
    playing.play('part');
  };
  return [
    { keys: 'Space', does: 'play the part, or stop', run: { ' ': () => playing.togglePlaying() } },
    { keys: '1 2 3 …', does: 'go to a part; two digits typed quickly for 10 and above', run: {} },
    { keys: 'Shift + digit', does: 'play from part 1 to that part', run: {} },
    {
      keys: 'R  L  B',
      does: 'hear the right hand, the left, both',
      run: { r: hear('right'), l: hear('left'), b: hear('both') },
    },
    {
      keys: '−  +',
      does: 'slower, faster',
      run: {
        '-': () => playing.changeTempo(-1),
        '+': () => playing.changeTempo(1),
        '=': () => playing.changeTempo(1),
      },
    },
    {
      keys: '←  →',
      does: 'previous, next chord',
      needs: 'voicings',
      run: { ArrowLeft: () => bench.step(-1), ArrowRight: () => bench.step(1) },
    },
    {
      keys: '↑  ↓',
      does: 'hear the next-best voicing of the chord',
      needs: 'voicings',
      run: { ArrowUp: () => bench.tryBy(-1), ArrowDown: () => bench.tryBy(1) },
    },
    { keys: 'Enter', does: 'take the voicing heard', needs: 'voicings', run: { Enter: () => bench.take() } },
    { keys: 'Esc', does: 'back to the part', run: { Escape: () => frame.leave() } },
    {
      keys: 'S',
      does: 'staff or seam',
      needs: 'seam',
      run: { s: () => bench.move({ showsStaff: !bench.place().showsStaff }) },
    },
    {
      keys: 'V',
      does: 'full screen: the part or the pages alone, as large as they fit; Esc leaves it',
      run: { v: () => bench.isOnDesk.update((isOn) => !isOn) },
    },
    {
      keys: 'Page ↑ ↓',
      does: 'turn: the next rows of the part, then the next part',
      needs: 'seam',
      run: { PageUp: () => frame.turn(-1), PageDown: () => frame.turn(1) },
    },
    {
      keys: `Alt + 1 … ${BENCHES.length}`,
      does: BENCHES.map(({ name }) => name).join(', '),
      isAlways: true,
      run: {},
    },
    {
      keys: 'F6  Shift + F6',
      does: 'on to the music, the panel, playing, the header; back',
      isAlways: true,
      inFields: true,
      run: { F6: () => frame.goToNextPlace(1), 'Shift+F6': () => frame.goToNextPlace(-1) },
    },
    { keys: 'Ctrl + Z', does: 'undo', isAlways: true, run: { 'Ctrl+z': () => bench.undo() } },
    { keys: 'Ctrl + Shift + Z', does: 'redo', isAlways: true, run: { 'Ctrl+Shift+z': () => bench.redo() } },
    {
      keys: 'Ctrl + K',
      does: 'find a bench, a tab, an action or a song by a word',
      isAlways: true,
      inFields: true,
      run: { 'Ctrl+k': () => bench.asked.next('find') },
    },
    {
      keys: '?',
      does: 'this list',
      isAlways: true,
      run: { '?': () => bench.asked.next('help') },
    },
  ];
}

/** A number typed: the part is gone to, or all up to it is played. */
export function goTo(frame: Commanded, number: number, purpose: 'part' | 'play-to'): void {
  frame.bench.goToPart(number - 1);
  if (purpose === 'play-to') frame.playing.play('to-part');
}
