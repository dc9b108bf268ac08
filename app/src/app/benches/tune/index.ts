import type { BenchDefinition } from '../../frame/definition';
import { BarsPanel } from './bars-panel';
import { KeysPanel } from './keys-panel';
import { LettersAbove } from './letters-above';
import { NotesPanel } from './notes-panel';
import { PlayPanel } from './play-panel';
import { SignsPanel } from './signs-panel';
import { ToldPanel } from './told-panel';
import { TuneBehaviour } from './tune-behaviour';
import { TuneState } from './tune-state';
import { WordsPanel } from './words-panel';

/** The Tune bench: the melody told, played in and put right. */
export const bench: BenchDefinition = {
  providers: [TuneState, TuneBehaviour],
  behaviour: TuneBehaviour,
  panel: {
    label: 'What to do',
    tabs: [
      { value: 'notes', label: 'Notes', panel: NotesPanel },
      { value: 'words', label: 'Words', panel: WordsPanel },
      { value: 'bars', label: 'Bars', panel: BarsPanel },
      { value: 'letters', label: 'Letters', panel: SignsPanel },
      { value: 'play', label: 'Play in', panel: PlayPanel },
      { value: 'keys', label: 'Transpose', panel: KeysPanel, isRare: true },
      { value: 'told', label: 'In words', panel: ToldPanel, isRare: true },
    ],
  },
  above: LettersAbove,
};
