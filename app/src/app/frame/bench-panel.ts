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
import { Menu } from '../ui/menu';
import type { BenchBehaviour, BenchTabs } from './definition';
import { DoneLine } from './done-line';
import { FindingsList } from './findings-list';
import { OwnChoices } from './own-choices';

/** The side of a bench: what is worked at behind tabs, one at a time, and what should be known about the part. */
@Component({
  selector: 'jh-bench-panel',
  imports: [Choice, DoneLine, FindingsList, Menu, NgComponentOutlet, OwnChoices],
  template: `
    <div class="tabs">
      <jh-choice
        name="tab"
        look="words"
        [label]="about().label"
        [options]="usual()"
        [value]="behaviour().tab()"
        (chosen)="behaviour().tab.set($event)"
      />
      @if (rare().length > 0) {
        <jh-menu
          [label]="open()?.isRare ? open()!.label : 'More'"
          [told]="'More: ' + about().label.toLowerCase()"
        >
          @for (tab of rare(); track tab.value) {
            <button type="button" (click)="behaviour().tab.set(tab.value)">{{ tab.label }}</button>
          }
        </jh-menu>
      }
    </div>
    @if (behaviour().notice()) {
      <p class="notice" role="status">{{ behaviour().notice() }}</p>
    }
    <div class="tab">
      @if (open(); as tab) {
        <ng-container *ngComponentOutlet="tab.panel" />
      }
    </div>
    @if (!about().hidesFindings) {
      <jh-own-choices />
      <jh-findings-list />
    }
    <jh-done-line />
  `,
  styles: `
    .tabs {
      display: flex;
      align-items: center;
      justify-content: space-between;
    }
    .tabs jh-choice {
      flex: 1;
    }
    .tabs ::ng-deep summary {
      padding: 0 var(--space-2);
      border: 0;
      background: none;
      font: 600 var(--type-note) var(--text);
      color: var(--ink);
    }
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
  protected readonly usual = computed(() => this.about().tabs.filter(({ isRare }) => !isRare));
  protected readonly rare = computed(() => this.about().tabs.filter(({ isRare }) => isRare));

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    // What is opened is seen from its beginning.
    effect(() => {
      this.behaviour().begun();
      host.nativeElement.closest('aside')?.scrollTo(0, 0);
    });
  }
}
