import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { because, inWords } from '@joined-hands/core/sentences';
import { phraseIndexAt } from '@joined-hands/core/shaping';
import { barAt, type SongEdit } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Playing } from '../../frame/playing';
import { FillsState } from './fills-state';

/** A phrase as the plan shows it. */
interface PlanPoint {
  readonly number: number;
  readonly bars: string;
  /** Its first bar. */
  readonly fromBar: number;
  readonly percent: number;
  readonly says: string;
  readonly noteId: string | null;
  readonly isOwn: boolean;
  readonly fromTick: number;
  readonly toTick: number;
}

/** How strong each phrase of the song is, as a line over its form: each point with its reason, moved up or down, heard. */
@Component({
  selector: 'jh-plan-panel',
  imports: [NzButtonComponent],
  template: `
    <section aria-label="Plan of the song">
      <h2>Plan of the song</h2>
      <p class="note">
        How strong each phrase is, by the bar it begins in. From level 5 on it decides how full both hands
        are, and how loud.
      </p>
      <div class="plan" [style.--count]="points().length">
        <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
          <polyline [attr.points]="line()" />
        </svg>
        @for (point of points(); track point.number) {
          <label [class.here]="point.number === looked().number" [class.own]="point.isOwn">
            <input
              type="range"
              min="0"
              max="100"
              step="5"
              [value]="point.percent"
              [disabled]="point.noteId === null"
              [attr.aria-label]="'Phrase ' + point.number + ', bars ' + point.bars"
              [attr.aria-valuetext]="point.percent + ' of 100: ' + point.says"
              (focus)="at.set(point.number)"
              (change)="set(point, $event)"
            />
            <small>{{ point.fromBar }}</small>
          </label>
        }
      </div>
      @if (looked(); as point) {
        <p class="line">
          <span>
            <b>Phrase {{ point.number }}, bars {{ point.bars }}: {{ point.percent }} of 100</b>:
            {{ point.says }}.
          </span>
          <button nz-button nzSize="small" type="button" (click)="hear(point)">Hear</button>
          @if (point.isOwn) {
            <button nz-button nzSize="small" type="button" (click)="edit(point, null)">As proposed</button>
          }
        </p>
      }
    </section>
  `,
  styleUrl: '../../ui/panel.less',
  styles: `
    .plan {
      position: relative;
      display: grid;
      grid-template-columns: repeat(var(--count), minmax(30px, 1fr));
      overflow-x: auto;
      margin-bottom: var(--space-4);
      padding-bottom: var(--space-2);
      border-bottom: 1.5px solid var(--rule);
    }
    svg {
      position: absolute;
      inset: 8px 0 auto 0;
      width: 100%;
      min-width: calc(var(--count) * 30px);
      height: 104px;
      pointer-events: none;
    }
    polyline {
      fill: none;
      stroke: var(--ink-soft);
      stroke-width: 2px;
      vector-effect: non-scaling-stroke;
    }
    label {
      display: flex;
      flex-direction: column;
      align-items: center;
      gap: var(--space-2);
    }
    input {
      writing-mode: vertical-lr;
      direction: rtl;
      width: 28px;
      height: 120px;
      margin: 0;
      background: none;
      accent-color: var(--ink);
      cursor: ns-resize;
    }
    .own input {
      accent-color: var(--right);
    }
    .here small {
      color: var(--ink);
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanPanel {
  protected readonly state = inject(FillsState);
  private readonly playing = inject(Playing);
  /** The phrase that was looked at last, by its number; null: that of the part on screen. */
  protected readonly at = signal<number | null>(null);

  protected readonly points = computed((): readonly PlanPoint[] => {
    const arrangement = this.state.bench.arrangement();
    if (!arrangement) return [];
    const { bars } = arrangement.played;
    return arrangement.shape.phrases.map(
      ({ fromTick, toTick, barTick, intensity, reasons, firstNote }, i) => {
        const [first, last] = [barAt(bars, barTick).number, barAt(bars, toTick - 1).number];
        const said = reasons.slice(0, 2).map((reason) => inWords(because.phraseIs(reason)));
        return {
          number: i + 1,
          bars: first === last ? String(first) : `${first}–${last}`,
          fromBar: first,
          percent: Math.round(100 * intensity),
          says: said.join('; '),
          noteId: firstNote,
          isOwn: reasons.includes('own'),
          fromTick,
          toTick,
        };
      },
    );
  });
  protected readonly line = computed(() => {
    const points = this.points();
    return points.map(({ percent }, i) => `${((i + 0.5) * 100) / points.length},${100 - percent}`).join(' ');
  });
  protected readonly looked = computed((): PlanPoint => {
    const [points, arrangement, part] = [
      this.points(),
      this.state.bench.arrangement(),
      this.state.bench.part(),
    ];
    const number = this.at() ?? phraseIndexAt(arrangement?.shape.phrases ?? [], part?.fromTick ?? 0) + 1;
    return points[number - 1] ?? points[0];
  });

  protected set(point: PlanPoint, event: Event): void {
    this.edit(point, Number((event.target as HTMLInputElement).value) / 100);
  }

  protected edit({ noteId }: PlanPoint, intensity: number | null): void {
    if (noteId !== null) this.state.bench.edit(edited(noteId, intensity));
  }

  protected hear({ fromTick, toTick, noteId, percent, isOwn }: PlanPoint): void {
    if (noteId !== null)
      this.playing.hearStretch(edited(noteId, isOwn ? percent / 100 : null), { fromTick, toTick });
  }
}

function edited(noteId: string, intensity: number | null): SongEdit {
  return { kind: 'intensity', noteId, intensity };
}
