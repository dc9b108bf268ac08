import { cutTo, type Section } from '@joined-hands/core/song';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { PartsState } from './parts-state';

/** Sections of the form: named, with an energy and a loudness that may grow or fall. */
@Component({
  selector: 'jh-sections-panel',
  imports: [Choice, NzButtonComponent, NzInputModule],
  template: `
    @if (state.section(); as section) {
      <section>
        <h2>{{ section.name || 'Section' }}</h2>
        <div class="field wide">
          <label for="section-name">Name</label>
          <input nz-input id="section-name" maxlength="80" [value]="section.name" (change)="rename($event)" />
        </div>
        <h3 id="energy-title">Energy</h3>
        <jh-choice
          name="energy"
          labelledBy="energy-title"
          [options]="energies"
          [value]="section.energy"
          (chosen)="state.changeSection({ energy: $event })"
        />
        <h3 id="dynamics-title">Loudness</h3>
        <jh-choice
          name="dynamics"
          labelledBy="dynamics-title"
          [options]="dynamics"
          [value]="section.dynamics"
          (chosen)="state.changeSection({ dynamics: $event })"
        />
      </section>
    } @else {
      <section>
        <h2>Sections</h2>
        <p>No section begins before this part. Verse, Chorus, Bridge: names help to find the way.</p>
      </section>
    }
    <div class="line">
      <button nz-button type="button" [disabled]="!state.canBeginSection()" (click)="state.beginSection()">
        Begin one at this part
      </button>
      <button nz-button type="button" [disabled]="!state.section()" (click)="state.removeSection()">
        Remove this section
      </button>
      <button nz-button type="button" (click)="state.proposeSections()">Propose sections</button>
    </div>
    <p class="note">Proposed from what comes back, how high it lies and how busy it is.</p>
  `,
  styleUrls: ['../../ui/panel.less', './parts-panel.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SectionsPanel {
  protected readonly state = inject(PartsState);
  protected readonly energies: readonly ChoiceOption<number>[] = [1, 2, 3, 4, 5].map((value) => ({
    value,
    label: String(value),
  }));
  protected readonly dynamics: readonly ChoiceOption<Section['dynamics']>[] = [
    { value: 'even', label: 'Even' },
    { value: 'growing', label: 'Growing' },
    { value: 'falling', label: 'Falling' },
  ];

  protected rename(event: Event): void {
    this.state.changeSection({ name: cutTo((event.target as HTMLInputElement).value.trim(), 80) });
  }
}
