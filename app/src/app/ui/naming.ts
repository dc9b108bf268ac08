import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { cutTo, type Named, type Profile } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NZ_MODAL_DATA, NzModalRef } from 'ng-zorro-antd/modal';
import { NzSelectModule } from 'ng-zorro-antd/select';

/** What is named, the tags and the profiles there are. */
export interface ToName {
  readonly song: Named;
  readonly tags: readonly string[];
  readonly profiles: readonly Profile[];
}

/** The title of a song, what this version of it is for, whose hands play it, what they should know, and its tags. */
@Component({
  selector: 'jh-naming',
  imports: [FormsModule, NzButtonComponent, NzInputModule, NzSelectModule],
  template: `
    <form (ngSubmit)="save()">
      <label for="song-title">Title</label>
      <input
        nz-input
        [attr.cdkFocusInitial]="unnamed ? null : ''"
        id="song-title"
        name="title"
        maxlength="200"
        [ngModel]="title()"
        (ngModelChange)="title.set($event)"
      />
      @if (about.song.version) {
        <label for="song-version">This version is for</label>
        <input
          nz-input
          [attr.cdkFocusInitial]="unnamed ? '' : null"
          id="song-version"
          name="version"
          maxlength="80"
          [ngModel]="version()"
          (ngModelChange)="version.set($event)"
        />
      }
      <div class="credits">
        <label for="song-words">Words by</label>
        <label for="song-music">Music by</label>
        <input
          nz-input
          id="song-words"
          name="words"
          maxlength="120"
          [ngModel]="words()"
          (ngModelChange)="words.set($event)"
        />
        <input
          nz-input
          id="song-music"
          name="music"
          maxlength="120"
          [ngModel]="music()"
          (ngModelChange)="music.set($event)"
        />
      </div>
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
      @if (about.profiles.length > 1) {
        <label for="song-profile">For the hands of</label>
        <nz-select
          nzId="song-profile"
          name="profile"
          [ngModel]="profile()"
          (ngModelChange)="profile.set($event)"
        >
          @for (one of about.profiles; track one.id; let first = $first) {
            <nz-option [nzValue]="first ? null : one.id" [nzLabel]="one.name" />
          }
        </nz-select>
      }
      <label for="song-notes">Notes for who plays it</label>
      <textarea
        nz-input
        id="song-notes"
        name="notes"
        rows="3"
        maxlength="2000"
        placeholder="Printed on the title page"
        [ngModel]="notes()"
        (ngModelChange)="notes.set($event)"
      ></textarea>
      <button
        nz-button
        nzType="primary"
        type="submit"
        [disabled]="!title().trim() || (about.song.version !== null && !version().trim())"
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
    .credits {
      display: grid;
      grid-template-columns: 1fr 1fr;
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
  /** A new version: what it is for is written first. */
  protected readonly unnamed = this.about.song.version?.name === '';
  protected readonly title = signal(this.about.song.title);
  protected readonly version = signal(this.about.song.version?.name ?? '');
  protected readonly words = signal(this.about.song.credits.words);
  protected readonly music = signal(this.about.song.credits.music);
  protected readonly tags = signal<string[]>([...this.about.song.tags]);

  /** A profile that is gone is chosen anew: the first. */
  protected readonly profile = signal(
    this.about.profiles.slice(1).find(({ id }) => id === this.about.song.profile)?.id ?? null,
  );
  protected readonly notes = signal(this.about.song.notes);

  protected save(): void {
    const { version } = this.about.song;
    const tags = [...new Set(this.tags().map((tag) => cutTo(tag.trim(), 40)))].filter(Boolean).slice(0, 20);
    const name = cutTo(this.version().trim(), 80);
    this.dialog.close({
      title: cutTo(this.title().trim(), 200),
      credits: { words: cutTo(this.words().trim(), 120), music: cutTo(this.music().trim(), 120) },
      tags,
      version: version && { ...version, name },
      profile: this.profile(),
      notes: this.notes().trim(),
    });
  }
}
