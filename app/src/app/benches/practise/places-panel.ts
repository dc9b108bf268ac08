import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { HotBar } from '@joined-hands/core/practice';
import { hotBarInWords, lostInWords } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NextSongs } from './next-songs';
import { PractiseState } from './practise-state';

/** Where the song keeps going wrong: a line over its bars, the hottest told, each a task. */
@Component({
  selector: 'jh-places-panel',
  imports: [NextSongs, NzButtonComponent],
  template: `
    <div class="over">
      <div class="columns">
        <section>
          <h2>Trouble spots</h2>
          @if (state.log.hottest().length === 0) {
            <p>
              Nothing has gone wrong yet, or nothing was listened to. What you play to MIDI, computer or
              screen keys, or into the microphone, is marked here bar by bar, the last two weeks most.
            </p>
          } @else {
            <ol class="heat" aria-label="Bars of the song, the higher the more goes wrong">
              @for (bar of bars(); track bar.tick) {
                <li>
                  <button
                    type="button"
                    [disabled]="bar.heat === 0"
                    [attr.aria-label]="
                      'Bar ' + bar.bar + ': ' + bar.slips + (bar.slips === 1 ? ' slip' : ' slips')
                    "
                    [title]="words(bar)"
                    (click)="state.practiseSpot(bar)"
                  >
                    <span [style.height.%]="bar.heat * 100"></span>
                  </button>
                </li>
              }
            </ol>
            <p class="note">Each column is a bar; press one to practise it.</p>
            <ol class="ranked">
              @for (bar of state.log.hottest(); track bar.tick) {
                <li>
                  <span>{{ words(bar) }}</span>
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    [attr.aria-label]="'Practise ' + words(bar)"
                    (click)="state.practiseSpot(bar)"
                  >
                    Practise
                  </button>
                </li>
              }
            </ol>
          }
          @if (lost(); as text) {
            <p class="note">{{ text }}</p>
          }
        </section>
        <jh-next-songs />
      </div>
    </div>
  `,
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlacesPanel {
  protected readonly state = inject(PractiseState);
  protected readonly bars = computed(() => this.state.log.heat()?.bars ?? []);
  protected readonly lost = computed(() => lostInWords(this.state.log.heat()?.lost ?? 0));

  protected words(bar: HotBar): string {
    return hotBarInWords(bar);
  }
}
