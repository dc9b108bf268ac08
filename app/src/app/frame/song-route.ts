import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import { NzModalModule, NzModalService } from 'ng-zorro-antd/modal';
import { workbench } from '../state/reducer';
import { takeAwayCopy } from '../storage/take-away';
import { openDialog } from '../ui/dialog';
import { SongFrame } from './song-frame';

/** The address of a song. Another song is another frame, whichever way one came to it: nothing of the last is kept. */
@Component({
  selector: 'jh-song-route',
  imports: [NzModalModule, SongFrame],
  template: `
    @for (song of [id()]; track song) {
      <jh-song-frame [id]="song" [benchName]="benchName()" [tab]="tab()" />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SongRoute {
  /** Id of the song, from the address. */
  readonly id = input.required<string>();
  /** The bench, from the address; none is the song's own. */
  readonly benchName = input<string>();
  /** The tab to begin with on the bench, from the address. */
  readonly tab = input<string>();

  private readonly modal = inject(NzModalService);
  private readonly state = inject(Store).selectSignal(workbench.selectWorkbenchState);

  /** Asked before the song is left: what the store did not take would stay behind, and can be taken away. */
  mayLeave(): boolean | Promise<boolean> {
    const { unsaved, song, profile } = this.state();
    if (!unsaved || !song) return true;
    return new Promise((resolve) => {
      const answer = (isLeaving: boolean): void => {
        dialog.destroy();
        resolve(isLeaving);
      };
      const dialog = openDialog(this.modal, {
        nzTitle: 'Leave the song all the same?',
        nzContent: unsaved,
        nzFooter: [
          { label: 'Download a copy', onClick: () => takeAwayCopy(song, profile) },
          { label: 'Leave', onClick: () => answer(true) },
          { label: 'Stay', type: 'primary', autoLoading: false, onClick: () => answer(false) },
        ],
        nzOnCancel: () => resolve(false),
      });
    });
  }
}
