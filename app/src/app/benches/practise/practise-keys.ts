import type { BenchKey } from '../../frame/keys/bench-keys';
import type { PractiseState } from './practise-state';
import type { RecordingState } from './recording-state';

/** The keys of the Practise bench, beside those of every bench. */
export function practiseKeys(practise: PractiseState, recording: RecordingState): readonly BenchKey[] {
  const isNow = (): boolean => practise.tab() === 'now';
  return [
    {
      keys: 'W  P  I  G  O',
      does: 'what is practised now, the plan, the places, the log, your recording',
      run: {
        w: () => practise.tab.set('now'),
        p: () => practise.tab.set('plan'),
        i: () => practise.tab.set('places'),
        g: () => practise.tab.set('log'),
        o: () => practise.tab.set('recording'),
      },
    },
    {
      keys: 'T',
      does: 'a bar of your recording begins here',
      when: () => practise.tab() === 'recording',
      run: { t: () => recording.tap() },
    },
    { keys: 'H', does: 'hear the task at its tempo', when: isNow, run: { h: () => practise.hear() } },
    {
      keys: 'Y  N',
      does: 'it went well; it did not',
      when: isNow,
      run: { y: () => void practise.said(true), n: () => void practise.said(false) },
    },
    {
      keys: '←  →  Enter',
      does: 'the task before, the next',
      when: isNow,
      run: {
        ArrowLeft: () => practise.next(-1),
        ArrowRight: () => practise.next(1),
        Enter: () => practise.next(1),
      },
    },
  ];
}
