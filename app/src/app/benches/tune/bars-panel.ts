import { keyReasonInWords } from '@joined-hands/core/sentences';
import { pickupInWords, tempoNote } from '@joined-hands/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  asBeatsPerMinute,
  asQuartersPerMinute,
  COMMON_TIME,
  isSameMetre,
  type Key,
  keyName,
  type Metre,
  metreInFull,
  METRES,
  typeset,
  unitTicks,
} from '@joined-hands/core/music';
import { lastAtOrBefore, orderInWords, type SongEdit, writtenBars } from '@joined-hands/core/song';
import type { FoundMetre } from '@joined-hands/core/takes';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { KeyChoice } from '../../ui/key-choice';
import { Menu } from '../../ui/menu';
import { TuneState } from './tune-state';
import { WordsPipe } from '../../ui/words.pipe';

/** So many of what is found are shown. */
const MOST_FOUND = 2;

/** Bars: insert, remove, pick-up, metre, key, tempo, feel, repeats; key and metre found, with the reason. */
@Component({
  selector: 'jh-bars-panel',
  imports: [
    Choice,
    FormsModule,
    KeyChoice,
    Menu,
    NzButtonComponent,
    NzInputNumberModule,
    NzSelectModule,
    WordsPipe,
  ],
  templateUrl: './bars-panel.html',
  styleUrl: '../../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BarsPanel {
  private readonly tune = inject(TuneState);
  protected readonly bench = this.tune.bench;
  protected readonly song = this.bench.song;

  protected readonly metres = METRES.map((metre) => ({ metre, name: metreInFull(metre) }));
  protected readonly feels: readonly ChoiceOption<'straight' | 'swing' | 'dotted'>[] = [
    { value: 'straight', label: 'Straight' },
    { value: 'swing', label: 'Swung' },
    { value: 'dotted', label: 'Dotted' },
  ];

  /** The written bar worked on: that of the note picked, until another is named. */
  protected readonly bar = linkedSignal(() => Math.max(1, this.tune.writtenBar()));
  private readonly tick = computed(() => {
    const song = this.song();
    return song ? (writtenBars(song).find((b) => b.number === this.bar())?.tick ?? 0) : 0;
  });
  private readonly metreHere = computed<Metre>(() =>
    lastAtOrBefore(this.song()?.metreMap ?? [{ tick: 0, ...COMMON_TIME }], this.tick()),
  );
  protected readonly metre = computed(() => metreInFull(this.metreHere()));
  /** The metres offered, and the one in force where it is none of them. */
  protected readonly otherMetre = computed(() => {
    const name = this.metre();
    return this.metres.some((each) => each.name === name) ? null : name;
  });
  protected readonly key = computed((): Key => lastAtOrBefore(this.song()?.keyMap ?? [C_MAJOR], this.tick()));
  protected readonly tempo = computed(() => {
    const map = this.song()?.tempoMap;
    return map ? asBeatsPerMinute(this.metreHere(), lastAtOrBefore(map, this.tick()).quartersPerMinute) : 96;
  });
  protected readonly tempoNote = computed(() => tempoNote(this.metreHere()));
  private readonly unit = computed(() => unitTicks(this.song()?.metreMap[0] ?? COMMON_TIME));
  protected readonly pickupUnits = computed(() => (this.song()?.pickup ?? 0) / this.unit());
  protected readonly order = computed(() => {
    const song = this.song();
    return song ? orderInWords(song) : '';
  });
  protected readonly foundKeys = computed(() => this.tune.foundKeys()?.slice(0, MOST_FOUND) ?? []);
  protected readonly foundMetres = computed(() => this.tune.foundMetres()?.slice(0, MOST_FOUND) ?? []);

  /** A repeat from here on; the ending, when there is one, is left out the second time. */
  protected readonly repeatTo = linkedSignal(() => Math.min(this.song()?.barCount ?? 1, this.bar() + 7));
  protected readonly endingBars = linkedSignal({ source: this.song, computation: () => 0 });

  protected edit(edit: SongEdit): void {
    this.bench.edit(edit);
  }

  protected setMetre(name: string): void {
    const chosen = this.metres.find((each) => each.name === name);
    if (chosen) this.edit({ kind: 'metre-set', bar: this.bar(), metre: chosen.metre });
  }

  protected setPickup(units: number | null): void {
    this.edit({ kind: 'pickup-set', ticks: Math.round((units ?? 0) * this.unit()) });
  }

  protected setTempo(beats: number | null): void {
    const quartersPerMinute = asQuartersPerMinute(this.metreHere(), beats ?? 0);
    if (quartersPerMinute < 10 || quartersPerMinute > 400) return;
    this.edit({ kind: 'tempo-set', bar: this.bar(), quartersPerMinute });
  }

  protected repeat(): void {
    const endings = this.endingBars();
    const toBar = this.repeatTo();
    this.edit({
      kind: 'repeat-set',
      fromBar: this.bar(),
      toBar,
      endingFrom: endings > 0 ? toBar - endings + 1 : null,
    });
  }

  protected readonly because = keyReasonInWords;

  protected nameOf(key: Key): string {
    return typeset(keyName(key));
  }

  protected metreOf({ metre, pickup }: FoundMetre): string {
    return `${metreInFull(metre)}${pickup > 0 ? `, pick-up of ${pickupInWords(metre, pickup)}` : ''}`;
  }

  protected takeMetre({ metre, pickup }: FoundMetre): void {
    this.edit({ kind: 'metre-set', bar: 1, metre });
    this.edit({ kind: 'pickup-set', ticks: pickup });
  }

  protected isCurrent({ metre, pickup }: FoundMetre): boolean {
    const song = this.song();
    return song !== null && isSameMetre(song.metreMap[0], metre) && song.pickup === pickup;
  }
}

const C_MAJOR = { tick: 0, tonic: { letter: 'C', alter: 0 }, mode: 'major' } as const;
