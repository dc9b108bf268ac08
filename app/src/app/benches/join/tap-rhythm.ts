import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { TapState } from './tap-state';

/** One strike on its line. */
interface Mark {
  readonly left: number;
  /** In time, off, missed; or a tap that nothing was wanted for. */
  readonly how: 'wanted' | 'in-time' | 'off' | 'missed' | 'extra';
}

/** Nearer than this is in time, in seconds. */
const IN_TIME = 0.05;

/** The rhythm of both hands on two lines, to be tapped with two keys. */
@Component({
  selector: 'jh-tap-rhythm',
  imports: [NzButtonComponent],
  template: `
    <h3>Tap the rhythm of both hands</h3>
    <div class="lines" aria-hidden="true">
      @for (line of lines(); track line.hand) {
        <div class="line-of" [class]="line.hand">
          @for (mark of line.marks; track $index) {
            <span class="mark" [class]="mark.how" [style.left.%]="mark.left"></span>
          }
        </div>
      }
    </div>
    @if (tap.isTapping()) {
      <p role="status">{{ tap.counted() }} · F is the left hand, J the right, after the count-in.</p>
      <p class="line"><button nz-button type="button" (click)="tap.stop()">Stop</button></p>
    } @else {
      <p class="note">F is the left hand, J the right, at the tempo chosen, after a bar of clicks.</p>
      <p class="line">
        <button nz-button type="button" [disabled]="tap.wanted().length === 0" (click)="tap.tap()">
          Tap it
        </button>
        <button nz-button type="button" [disabled]="tap.wanted().length === 0" (click)="tap.simulate()">
          Demo player
        </button>
      </p>
    }
    @if (tap.problem()) {
      <p class="problem" role="alert">{{ tap.problem() }}</p>
    }
    <div role="status">
      <ul class="told">
        @for (line of tap.words(); track $index) {
          <li>{{ line }}</li>
        }
      </ul>
    </div>
  `,
  styleUrls: ['../../ui/panel.less', './join.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TapRhythm {
  protected readonly tap = inject(TapState);

  protected readonly lines = computed(() =>
    (['right', 'left'] as const).map((hand) => ({ hand, marks: this.marksOf(hand) })),
  );

  private marksOf(hand: 'right' | 'left'): Mark[] {
    const [judged, all] = [this.tap.judged(), Math.max(0.1, this.tap.seconds())];
    const at = (seconds: number): number => Math.max(0, Math.min(99, (100 * seconds) / all));
    if (!judged)
      return this.tap
        .wanted()
        .flatMap((wanted) =>
          wanted.hand === hand ? [{ left: at(wanted.seconds), how: 'wanted' as const }] : [],
        );
    const strokes = judged.strokes.filter(({ wanted }) => wanted.hand === hand);
    return [
      ...strokes.map(({ wanted, late }): Mark => {
        const how = late === null ? 'missed' : Math.abs(late) <= IN_TIME ? 'in-time' : 'off';
        return { left: at(wanted.seconds + (late ?? 0)), how };
      }),
      ...judged.extra.flatMap((tap): Mark[] =>
        tap.hand === hand ? [{ left: at(tap.seconds), how: 'extra' }] : [],
      ),
    ];
  }
}
