import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { BenchState } from '../../frame/bench-state';
import { Choice } from '../../ui/choice';
import { RecordingState, type Sounding } from './recording-state';

/** The pianist's own recording of the song, beside the arrangement. */
@Component({
  selector: 'jh-recording-panel',
  imports: [Choice, NzButtonComponent],
  template: `
    <section>
      <h2>Your own recording</h2>
      @if (state.recording(); as recording) {
        <p>
          <b>{{ recording.name }}</b>
        </p>
        <p aria-live="polite">{{ told() }}</p>
        @if (state.isTapping()) {
          <p class="standing">Press T where each bar begins.</p>
          <p class="line">
            <button nz-button nzType="primary" nzSize="large" type="button" (click)="state.tap()">
              Bar {{ state.tapped() + 1 }} (T)
            </button>
            <button nz-button nzSize="large" type="button" (click)="state.endTapping()">Done</button>
          </p>
        } @else {
          @if (state.tapped() > 1) {
            <h3 id="sounding-title">What sounds</h3>
            <jh-choice
              name="sounding"
              labelledBy="sounding-title"
              [mostInRow]="3"
              [options]="soundings"
              [value]="state.sounding()"
              (chosen)="state.sounding.set($event)"
            />
            <h3 id="speed-title">Speed</h3>
            <jh-choice
              name="speed"
              labelledBy="speed-title"
              [options]="speeds"
              [value]="state.percent()"
              (chosen)="state.percent.set($event)"
            />
          }
          <p class="line">
            @if (state.isPlaying()) {
              <button nz-button nzType="primary" nzSize="large" type="button" (click)="state.stop()">
                Stop
              </button>
            } @else {
              @if (state.stretch()) {
                <button nz-button nzType="primary" nzSize="large" type="button" (click)="state.loop()">
                  Loop part {{ bench.partIndex() + 1 }}
                </button>
              }
              <button nz-button nzSize="large" type="button" (click)="state.startTapping()">
                {{ state.tapped() === 0 ? 'Tap the bars in' : 'Tap them again' }}
              </button>
              <button nz-button nzSize="large" type="button" (click)="state.drop()">Remove it</button>
            }
          </p>
        }
      } @else {
        <p>
          A recording of the song that is yours to use, from a file. It stays in this browser. Tap its bars
          once; then loop any part or slow it down at its own pitch, alone or with the arrangement.
        </p>
        <p class="line">
          <button nz-button nzType="primary" type="button" (click)="picker.click()">Choose a file</button>
        </p>
      }
      <input
        #picker
        class="visually-hidden"
        type="file"
        accept="audio/*"
        aria-label="Recording"
        tabindex="-1"
        (change)="picked($event)"
      />
      @if (state.problem()) {
        <p class="problem" role="alert">{{ state.problem() }}</p>
      }
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordingPanel {
  protected readonly state = inject(RecordingState);
  protected readonly bench = inject(BenchState);
  protected readonly soundings: readonly { readonly value: Sounding; readonly label: string }[] = [
    { value: 'recording', label: 'The recording' },
    { value: 'in-turn', label: 'In turn' },
    { value: 'together', label: 'Both together' },
  ];
  protected readonly speeds = [50, 70, 85, 100].map((value) => ({ value, label: `${value} %` }));
  protected readonly told = computed(() => {
    const [tapped, bars] = [this.state.tapped(), this.state.bars()];
    if (tapped === 0) return `None of its ${bars} bars is tapped in yet.`;
    if (tapped >= bars) return `All ${bars} bars are tapped in.`;
    const part = this.state.stretch() ? '' : ' Part on screen: not reached yet, tap on to loop it.';
    return `${tapped} of ${bars} bars are tapped in.${part}`;
  });

  protected picked(event: Event): void {
    const chooser = event.target as HTMLInputElement;
    const [file] = chooser.files ?? [];
    if (file) void this.state.choose(file).finally(() => (chooser.value = ''));
  }
}
