import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { cutTo } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NZ_MODAL_DATA, NzModalRef } from 'ng-zorro-antd/modal';
import { NzSelectModule } from 'ng-zorro-antd/select';
import type { ShelfCard } from '../storage/stored';
import type { Named } from './card-work';

/** The card that is named, and the tags there are. */
export interface ToName {
  readonly card: ShelfCard;
  readonly tags: readonly string[];
}

/** The title of a song, what this version of it is for, and the tags it is found by. */
@Component({
  selector: 'jh-naming',
  imports: [FormsModule, NzButtonComponent, NzInputModule, NzSelectModule],
  template: `
    <form (ngSubmit)="save()">
      <label for="song-title">Title</label>
      <input
        nz-input
        cdkFocusInitial
        id="song-title"
        name="title"
        maxlength="200"
        [ngModel]="title()"
        (ngModelChange)="title.set($event)"
      />
      @if (about.card.version) {
        <label for="song-version">This version is for</label>
        <input
          nz-input
          id="song-version"
          name="version"
          maxlength="80"
          [ngModel]="version()"
          (ngModelChange)="version.set($event)"
        />
      }
      <label for="song-tags">Tags</label>
      <nz-select
        nzId="song-tags"
        name="tags"
        nzMode="tags"
        nzPlaceHolder="a pupil, a concert …"
        [nzMaxMultipleCount]="20"
        [ngModel]="tags()"
        (ngModelChange)="tags.set($event)"
      >
        @for (tag of about.tags; track tag) {
          <nz-option [nzValue]="tag" [nzLabel]="tag" />
        }
      </nz-select>
      <button
        nz-button
        nzType="primary"
        type="submit"
        [disabled]="!title().trim() || (about.card.version !== null && !version().trim())"
      >
        Save
      </button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: var(--space-4);
    }
    small {
      color: var(--ink-soft);
      font-size: var(--type-note);
    }
    button {
      justify-self: start;
      margin-top: var(--space-4);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Naming {
  protected readonly about = inject<ToName>(NZ_MODAL_DATA);
  private readonly dialog = inject<NzModalRef<Naming, Named>>(NzModalRef);
  protected readonly title = signal(this.about.card.title);
  protected readonly version = signal(this.about.card.version?.name ?? '');
  protected readonly tags = signal<string[]>([...this.about.card.tags]);

  protected save(): void {
    const { version } = this.about.card;
    const tags = [...new Set(this.tags().map((tag) => cutTo(tag.trim(), 40)))].filter(Boolean).slice(0, 20);
    const name = cutTo(this.version().trim(), 80);
    this.dialog.close({
      title: cutTo(this.title().trim(), 200),
      tags,
      version: version && { ...version, name },
    });
  }
}
