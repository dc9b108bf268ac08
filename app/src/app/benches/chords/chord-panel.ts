import { inWords, functionInWords } from '@joined-hands/core/sentences';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { heardRubs, type Neighbour, neighboursOf, notesUnder, roleSays } from '@joined-hands/core/harmony';
import { asTyped, classNameOf, inEnglish, typeset } from '@joined-hands/core/music';
import { type CloseHands, type Layout } from '@joined-hands/core/song';
import { LAYOUT_ROWS } from '@joined-hands/core/voicing';
import { byHandInWords, derivationOf, meetsInWords, voicingName, whyOf } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ChordsState } from './chords-state';
import { RowEntry } from './row-entry';
import { Offer } from '../../ui/offer';
import { WordsPipe } from '../../ui/words.pipe';

const AS_THE_PART = 'part';
const CHORD_GIVES_WAY = 'chord';

/** The chord selected: its role, the melody over it note by note, what could stand there, moving and rewriting it. */
@Component({
  selector: 'jh-chord-panel',
  imports: [FormsModule, NzButtonComponent, NzInputModule, NzSelectModule, Offer, WordsPipe, RowEntry],
  templateUrl: './chord-panel.html',
  styleUrls: ['../../ui/panel.less', './chords.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChordPanel {
  protected readonly functionOf = functionInWords;
  protected readonly state = inject(ChordsState);
  protected readonly bench = this.state.bench;
  protected readonly change = this.state.change;

  protected readonly title = computed(() => {
    const change = this.change();
    return change ? voicingName(change) : '';
  });
  protected readonly lines = computed(() => {
    const [change, arrangement] = [this.change(), this.bench.arrangement()];
    if (!change || !arrangement) return [];
    return [
      byHandInWords(arrangement, change),
      derivationOf(change),
      meetsInWords(arrangement, change),
      whyOf(this.bench.before(), change),
    ].filter(Boolean);
  });
  /** Each melody note over the chord, in words: member, 9, rub. */
  protected readonly roles = computed(() => {
    const [arrangement, change] = [this.bench.arrangement(), this.change()];
    if (!arrangement || !change) return [];
    const { melody, bars } = arrangement.played;
    return notesUnder({ melody, bars, changes: [change.change] }).map((under) => {
      const { note, role } = under;
      const isHeard = heardRubs([under]).length > 0;
      return {
        isRub: isHeard,
        text: `${inWords(roleSays(role, typeset(classNameOf(note.pitch)), typeset(change.change.symbol)))}${role.kind === 'rub' && !isHeard ? ', in passing' : ''}`,
      };
    });
  });
  protected readonly neighbours = computed<Neighbour[]>(() => {
    const [change, key] = [this.change(), this.state.key()];
    if (!change || !key) return [];
    const next = this.bench.arrangement()?.changes[this.bench.changeIndex() + 1];
    return neighboursOf(change.chord, next?.chord ?? null, key);
  });
  protected readonly layouts = [
    { value: AS_THE_PART, label: 'as its part' },
    ...LAYOUT_ROWS.filter(({ layout }) => layout !== 'singing').map(({ layout, name }) => ({
      value: layout as string,
      label: name.toLowerCase(),
    })),
  ];
  protected readonly closeHands: readonly { value: CloseHands | typeof CHORD_GIVES_WAY; label: string }[] = [
    { value: CHORD_GIVES_WAY, label: 'thin the chord' },
    { value: 'let-go', label: 'let it go early' },
    { value: 'share', label: 'right hand plays the shared key' },
    { value: 'cross', label: 'the hands may cross' },
  ];
  protected readonly layout = computed(() => this.change()?.change.layout ?? AS_THE_PART);

  /** What the smaller step of moving a chord is called in its metre. */
  protected readonly smallStep = computed(() => (this.state.stepsByHalves() ? '½ beat' : '⅓ beat'));
  protected readonly closeHandsNow = computed(() => this.change()?.closeHands ?? CHORD_GIVES_WAY);

  protected chooseCloseHands(value: CloseHands | typeof CHORD_GIVES_WAY): void {
    this.state.closeHands(value === CHORD_GIVES_WAY ? null : value);
  }

  protected chooseLayout(value: string): void {
    this.state.layoutForChange(value === AS_THE_PART ? null : (value as Layout));
  }

  protected write(event: Event): void {
    const field = event.target as HTMLInputElement;
    const text = inEnglish(field.value.trim());
    if (text !== '' && text !== this.change()?.change.symbol) this.state.write(text);
  }

  protected readonly typeset = typeset;
  protected readonly asTyped = asTyped;
}
