import type { BenchDefinition } from '../../frame/definition';
import { FillsBehaviour } from './fills-behaviour';
import { FillsState } from './fills-state';
import { FramePanel } from './frame-panel';
import { GrowthPanel } from './growth-panel';
import { PlacesPanel } from './places-panel';
import { VersionPanel } from './version-panel';

/** The Fills bench: what may be added where, a beginning and an end, and how a strain grows when it comes back. */
export const bench: BenchDefinition = {
  providers: [FillsState, FillsBehaviour],
  behaviour: FillsBehaviour,
  panel: {
    label: 'What to do with fills',
    tabs: [
      { value: 'places', label: 'Places', panel: PlacesPanel },
      { value: 'version', label: 'Version', panel: VersionPanel },
      { value: 'frame', label: 'Intro, ending', panel: FramePanel },
      { value: 'grow', label: 'Plan', panel: GrowthPanel },
    ],
  },
};
