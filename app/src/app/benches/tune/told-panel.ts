import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Profile } from '@joined-hands/core/song';
import { rightHandInWords } from '@joined-hands/core/words';
import { Store } from '@ngrx/store';
import { ProfileActions } from '../../state/actions';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { TuneState } from './tune-state';

/** The right hand of the part told in words, the way pianists tell each other a tune. */
@Component({
  selector: 'jh-told-panel',
  imports: [Choice],
  template: `
    <section>
      <h2>Right hand, part {{ bench.partIndex() + 1 }}</h2>
      @for (line of lines(); track $index) {
        <p>{{ line }}</p>
      }
      <h3 id="landmarks-title">Find the first key by</h3>
      <jh-choice
        name="landmarks"
        labelledBy="landmarks-title"
        [options]="landmarks"
        [value]="chosen()"
        (chosen)="choose($event)"
      />
    </section>
  `,
  styleUrl: '../../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ToldPanel {
  protected readonly bench = inject(TuneState).bench;
  private readonly store = inject(Store);
  protected readonly landmarks: readonly ChoiceOption<Profile['landmarks']>[] = [
    { value: 'c', label: 'the nearest C' },
    { value: 'black-keys', label: 'black keys' },
  ];
  protected readonly chosen = computed(() => this.bench.state().profile.landmarks);
  protected readonly lines = computed(() => {
    const arrangement = this.bench.arrangement();
    return arrangement && this.bench.part() ? rightHandInWords(arrangement, this.bench.partIndex()) : [];
  });

  protected choose(landmarks: Profile['landmarks']): void {
    this.store.dispatch(ProfileActions.changed({ profile: { ...this.bench.state().profile, landmarks } }));
  }
}
