import { ChangeDetectionStrategy, Component, inject, output } from '@angular/core';
import { Router } from '@angular/router';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { SongStore } from '../storage/song-store';
import { Guide } from '../ui/guide';
import { GUIDE_STEPS } from '../ui/guide-steps';
import { Problems } from '../ui/problems';

/** On the first visit the tour is offered; where it was left it is gone on with. */
@Component({
  selector: 'jh-guide-offer',
  imports: [NzButtonComponent],
  template: `
    @if (guide.isOffered() || guide.isLeft()) {
      <p role="status">
        @if (guide.isLeft()) {
          You stopped the tour at step {{ guide.next() + 1 }} of {{ count }}.
          <button nz-button nzSize="small" type="button" (click)="walk()">Go on</button>
        } @else {
          New here? Take a tour in six steps with a sample song.
          <button nz-button nzSize="small" nzType="primary" type="button" (click)="walk()">Begin</button>
        }
        <button nz-button nzSize="small" type="button" (click)="decline()">Not now</button>
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-3) var(--space-6);
      align-items: center;
      margin: 0 0 var(--space-8);
      padding: var(--space-5) var(--space-8);
      border-radius: var(--radius);
      background: var(--selected);
      font-size: var(--type-body);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GuideOffer {
  readonly declined = output();
  protected readonly guide = inject(Guide);
  private readonly songs = inject(SongStore);
  private readonly router = inject(Router);
  private readonly problems = inject(Problems);
  protected readonly count = GUIDE_STEPS.length;

  /** The keyboard goes on from the shelf. */
  protected decline(): void {
    this.guide.decline();
    this.declined.emit();
  }

  /** Its song is put back on the shelf where it was deleted. */
  protected walk(): void {
    const begun = this.songs.addDemoSongs().then(() => {
      this.guide.walk();
      return this.router.navigate(this.guide.address());
    });
    this.problems.guard('The tour could not be started', begun);
  }
}
