import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { countAt } from '@joined-hands/core/joining';
import { asTyped, nameOf, typeset } from '@joined-hands/core/music';
import { listed, theBars } from '@joined-hands/core/sentences';
import { barAt } from '@joined-hands/core/song';
import { capital } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NoteChanges } from '../../frame/note-changes';
import { PlayOn } from '../../input/play-on';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { ON_COMPUTER, ON_MIDI, onScreen } from '../../input/ways';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { ByHandState } from './by-hand-state';

/** One hand's notes of a bar as the pianist wants them: typed, or changed note by note. */
@Component({
  selector: 'jh-by-hand-panel',
  imports: [Choice, NoteChanges, NzButtonComponent, NzInputModule, PlayOn],
  templateUrl: './by-hand-panel.html',
  styleUrls: ['../../ui/panel.less', './join.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ByHandPanel {
  protected readonly state = inject(ByHandState);
  protected readonly recordOn = [ON_COMPUTER, onScreen(inject(ScreenKeyboard)), ON_MIDI];
  protected readonly example = asTyped('A2 C3+E3 C3+E3');
  protected readonly hands: readonly ChoiceOption<'left' | 'right'>[] = [
    { value: 'left', label: 'Left' },
    { value: 'right', label: 'Right' },
  ];
  protected readonly counts: readonly ChoiceOption<number>[] = [
    { value: 1, label: '1 bar' },
    { value: 2, label: '2 bars' },
    { value: 0, label: 'The part' },
  ];
  protected readonly ways: readonly ChoiceOption<'instead' | 'beside'>[] = [
    { value: 'instead', label: 'Instead of what is played' },
    { value: 'beside', label: 'Beside what is played' },
  ];
  protected readonly followings: readonly ChoiceOption<boolean>[] = [
    { value: false, label: 'Keep these keys' },
    { value: true, label: 'Go along with the chord' },
  ];
  protected readonly times: readonly ChoiceOption<boolean>[] = [
    { value: false, label: 'Each time' },
    { value: true, label: 'This time only' },
  ];

  protected readonly title = computed(() => {
    const bars = this.state.stretch()?.bars ?? [];
    return capital(theBars(bars.map(({ number }) => number)));
  });
  protected readonly told = computed(() => {
    const stretch = this.state.stretch();
    if (!stretch) return '';
    const isEmpty = stretch.own.notes.length === 0;
    if (this.state.how() === 'beside')
      return stretch.isWritten
        ? 'Written by hand, beside the rest.'
        : 'Nothing is written beside the rest yet.';
    if (stretch.isWritten)
      return `${isEmpty ? 'Written by hand: the hand rests.' : 'Written by hand.'}${this.alsoIn()}`;
    return isEmpty ? 'The hand rests here.' : 'As the program plays it. Change a letter and it is yours.';
  });
  /** " Parts 4 and 6 follow this one and play it too." */
  private readonly alsoIn = computed(() => {
    const others = this.state.alsoIn().map(String);
    if (others.length === 0) return '';
    const [follow, play] = others.length === 1 ? ['follows', 'plays'] : ['follow', 'play'];
    return ` Part${others.length === 1 ? '' : 's'} ${listed(others)} ${follow} this one and ${play} it too.`;
  });
  protected readonly notes = computed(() => {
    const stretch = this.state.stretch();
    if (!stretch) return [];
    return stretch.own.notes.map(({ after, pitch, grace }, i) => {
      const tick = stretch.fromTick + after;
      return {
        letter: typeset(nameOf(pitch)),
        count: grace ? 'grace' : countAt(barAt(stretch.bars, tick), tick),
        isPicked: i === this.state.at(),
      };
    });
  });
  /** All that is written by hand where it is played first. */
  protected readonly all = computed(() => {
    const played = this.state.bench.arrangement()?.played;
    const known = new Set<string>();
    return (played?.ownBars ?? []).flatMap((own) => {
      if (!played || known.has(own.id)) return [];
      known.add(own.id);
      const numbers = played.bars
        .filter(({ tick }) => tick >= own.tick && tick < own.tick + own.length)
        .map(({ number }) => number);
      const once = own.pass === null ? '' : `, time ${own.pass}`;
      const name = theBars(numbers.length > 0 ? numbers : [barAt(played.bars, own.tick).number]);
      return [
        {
          id: own.id,
          name: `${capital(name)}, ${own.hand} hand${own.how === 'beside' ? ', beside' : ''}${once}`,
          go: () => this.state.goTo(own),
        },
      ];
    });
  });
}
