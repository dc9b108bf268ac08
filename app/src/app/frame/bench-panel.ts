import { NgComponentOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { Choice } from '../ui/choice';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Menu } from '../ui/menu';
import { BenchState } from './bench-state';
import type { BenchBehaviour, BenchTabs } from './definition';
import { FindingsList } from './findings-list';

/** How long what was done stands with its Undo. */
const DONE_MS = 12_000;

/** The side of a bench: what is worked at behind tabs, one at a time, and what should be known about the part. */
@Component({
  selector: 'jh-bench-panel',
  imports: [Choice, FindingsList, Menu, NgComponentOutlet, NzButtonComponent],
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
      <jh-findings-list />
    }
    @if (done(); as what) {
      <p class="done" role="status">
        <span>{{ what }}</span>
        <button
          nz-button
          nzSize="small"
          type="button"
          [attr.aria-label]="'Undo ' + what"
          (click)="bench.undo()"
        >
          Undo
        </button>
      </p>
    }
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
    /* What was just done, with the way back beside it; what is under it is reached by scrolling. */
    .done {
      position: sticky;
      bottom: 0;
      display: flex;
      gap: var(--space-4);
      align-items: center;
      justify-content: space-between;
      margin: var(--space-6) 0 0;
      padding: var(--space-3) var(--space-5);
      border-radius: 8px;
      background: var(--ink);
      color: var(--paper-light);
    }
    .done span::first-letter {
      text-transform: uppercase;
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

  protected readonly bench = inject(BenchState);
  private readonly lastStep = computed(() => this.bench.state().past.at(-1) ?? null);
  /** What was just done in a few words, for a while; empty before the first edit and after an undo. */
  protected readonly done = signal('');

  constructor() {
    let known = untracked(this.lastStep);
    effect((onCleanup) => {
      const step = this.lastStep();
      const isNew = step !== null && step !== known && untracked(this.bench.state).future.length === 0;
      known = step;
      this.done.set(isNew ? step.what : '');
      const later = setTimeout(() => this.done.set(''), DONE_MS);
      onCleanup(() => clearTimeout(later));
    });
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    // What is opened is seen from its beginning.
    effect(() => {
      this.behaviour().begun();
      host.nativeElement.closest('aside')?.scrollTo(0, 0);
    });
  }
}
