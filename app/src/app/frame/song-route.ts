import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { SongFrame } from './song-frame';

/** The address of a song. Another song is another frame, whichever way one came to it: nothing of the last is kept. */
@Component({
  selector: 'jh-song-route',
  imports: [SongFrame],
  template: `
    @for (song of [id()]; track song) {
      <jh-song-frame [id]="song" [benchName]="benchName()" [job]="job()" />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SongRoute {
  /** Id of the song, from the address. */
  readonly id = input.required<string>();
  /** The bench, from the address; none is the song's own. */
  readonly benchName = input<string>();
  /** What to begin with on the bench, from the address. */
  readonly job = input<string>();
}
