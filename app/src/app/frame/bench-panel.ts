import { NgComponentOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
} from '@angular/core';
import { Choice } from '../ui/choice';
import type { BenchBehaviour, BenchTabs } from './definition';
import { FindingsList } from './findings-list';

/** The side of a bench: what is worked at behind tabs, one at a time, and what should be known about the part. */
@Component({
  selector: 'jh-bench-panel',
  imports: [Choice, FindingsList, NgComponentOutlet],
  template: `
    <jh-choice
      name="tab"
      [label]="about().label"
      [mostInRow]="about().mostInRow"
      [options]="about().tabs"
      [value]="behaviour().tab()"
      (chosen)="behaviour().tab.set($event)"
    />
    @if (behaviour().notice()) {
      <p class="notice" role="status">{{ behaviour().notice() }}</p>
    }
    <div class="tab">
      @if (open(); as tab) {
        <ng-container *ngComponentOutlet="tab.panel" />
      }
    </div>
    @if (!about().hidesFindings) {
      <jh-findings-list />
    }
  `,
  styles: `
    .tab {
      margin-top: var(--space-7);
    }
    .notice {
      margin: var(--space-5) 0 0;
      padding: var(--space-4) var(--space-5);
      border-radius: 8px;
      background: var(--selected);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchPanel {
  readonly about = input.required<BenchTabs>();
  readonly behaviour = input.required<BenchBehaviour>();
  protected readonly open = computed(() =>
    this.about().tabs.find(({ value }) => value === this.behaviour().tab()),
  );

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    // What is opened is seen from its beginning.
    effect(() => {
      this.behaviour().begun();
      host.nativeElement.closest('aside')?.scrollTo(0, 0);
    });
  }
}
