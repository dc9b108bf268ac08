import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  HostListener,
  inject,
  input,
  type OnInit,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { keyName, metreName, typeset } from '@joined-hands/core/music';
import { keyAt } from '@joined-hands/core/song';
import { Store } from '@ngrx/store';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzModalModule, NzModalService } from 'ng-zorro-antd/modal';
import { ChordsPanel } from '../chords/chords-panel';
import { ChordsState } from '../chords/chords-state';
import { obeyChords } from '../chords/obey-chords';
import type { Command } from '../help/commands';
import { Shortcuts } from '../help/shortcuts';
import { Reasons } from '../join/reasons';
import { Keyboard } from '../keyboard/keyboard';
import { Staff } from '../notation/staff';
import { obeyParts } from '../parts/obey-parts';
import { PartSheet } from '../parts/part-sheet';
import { PartsPanel } from '../parts/parts-panel';
import { PartsState } from '../parts/parts-state';
import { ProfileActions, SongActions } from '../state/actions';
import { WorkbenchEffects } from '../state/effects';
import { SongLock } from '../storage/song-lock';
import { SongStore } from '../storage/song-store';
import { LettersEntry } from '../tune/letters-entry';
import { obeyTune } from '../tune/obey-tune';
import { Recorder } from '../tune/recorder';
import { ScreenKeyboard } from '../tune/screen-keyboard';
import { TunePanel } from '../tune/tune-panel';
import { JOBS, TuneState } from '../tune/tune-state';
import { BenchState } from './bench-state';
import { Hearing } from './hearing';
import { PartsRail } from './parts-rail';
import { Seam } from './seam';
import { Transport } from './transport';

const NARROW_PX = 900;

/** The benches that can be opened, in the order of the work; the address of Join is that of the song. */
const TUNE = { name: 'Tune', address: 'tune', side: 'Work' } as const;
const PARTS = { name: 'Parts', address: 'parts', side: 'Work' } as const;
const CHORDS = { name: 'Chords', address: 'chords', side: 'Work' } as const;
const JOIN = { name: 'Join', address: null, side: 'Reasons' } as const;
const BENCHES = [TUNE, PARTS, CHORDS, JOIN] as const;

/** The song bench: parts rail, seam, reasons, keyboard, transport. */
@Component({
  selector: 'jh-bench',
  imports: [
    RouterLink,
    NzButtonModule,
    NzModalModule,
    ChordsPanel,
    Keyboard,
    LettersEntry,
    PartSheet,
    PartsPanel,
    PartsRail,
    Reasons,
    Seam,
    Staff,
    Transport,
    TunePanel,
  ],
  providers: [BenchState, Hearing, TuneState, PartsState, ChordsState, Recorder, ScreenKeyboard],
  templateUrl: './bench.html',
  styleUrl: './bench.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Bench implements OnInit {
  /** Id of the song, from the address. */
  readonly id = input.required<string>();
  /** The bench, from the address; none is Join. */
  readonly benchName = input<string>();
  /** The job to begin with on the Tune bench, from the address. */
  readonly job = input<string>();

  protected readonly bench = inject(BenchState);
  protected readonly tune = inject(TuneState);
  protected readonly parts = inject(PartsState);
  protected readonly chords = inject(ChordsState);
  private readonly screen = inject(ScreenKeyboard);
  private readonly recorder = inject(Recorder);
  private readonly store = inject(Store);
  private readonly songs = inject(SongStore);
  private readonly lock = inject(SongLock);
  private readonly effects = inject(WorkbenchEffects);
  private readonly modal = inject(NzModalService);
  private readonly shortcuts = inject(Shortcuts);

  protected readonly isMissing = signal(false);
  protected readonly isNarrow = signal(window.innerWidth < NARROW_PX);
  /** Which side sheet is open on a narrow screen. */
  protected readonly sheet = signal<'parts' | 'reasons' | null>(null);
  protected readonly facts = computed(() => {
    const [song, arrangement] = [this.bench.song(), this.bench.arrangement()];
    if (!song || !arrangement) return '';
    return `${typeset(keyName(keyAt(arrangement.played, 0)))} · ${metreName(song.metreMap[0])}`;
  });
  protected readonly benches = BENCHES;
  protected readonly openBench = computed(() => BENCHES.find((b) => b.address === this.benchName()) ?? JOIN);
  protected readonly isTune = computed(() => this.openBench() === TUNE);
  protected readonly isParts = computed(() => this.openBench() === PARTS);
  protected readonly isChords = computed(() => this.openBench() === CHORDS);
  protected readonly undoWhat = computed(() => this.bench.state().past.at(-1)?.what ?? null);
  protected readonly redoWhat = computed(() => this.bench.state().future.at(-1)?.what ?? null);
  protected readonly problem = computed(() => this.bench.state().problem ?? this.bench.player.problem());

  constructor() {
    effect(() => this.bench.showsMelodyOnly.set(this.isTune()));
    effect(() => this.bench.pickedTick.set(this.isTune() ? (this.tune.note()?.tick ?? null) : null));
    effect(() => {
      const job = JOBS.find(({ value }) => value === this.job())?.value;
      if (job) this.tune.job.set(job);
    });
    const leaving = (): void => void this.saveNow();
    window.addEventListener('pagehide', leaving);
    document.addEventListener('visibilitychange', leaving);
    inject(DestroyRef).onDestroy(() => {
      window.removeEventListener('pagehide', leaving);
      document.removeEventListener('visibilitychange', leaving);
      this.bench.player.stop();
      this.recorder.stop();
      void this.saveNow().then(() => {
        this.lock.free();
        this.store.dispatch(SongActions.closed());
      });
    });
  }

  ngOnInit(): void {
    void this.open(false);
  }

  /** Reads the song and its lock; with `takeOver` the lock is taken from another tab. */
  protected async open(takeOver: boolean): Promise<void> {
    const stored = await this.songs.get(this.id());
    if (!stored) return this.isMissing.set(true);
    const mine = await this.lock.take(
      stored.id,
      () => this.store.dispatch(SongActions.takenOverElsewhere()),
      takeOver,
    );
    const profile = await this.songs.profile();
    if (profile) this.store.dispatch(ProfileActions.read({ profile }));
    if (mine) await this.songs.opened(stored.id);
    const { song, revision, place } = stored;
    this.store.dispatch(SongActions.opened({ song, revision, place, isReadOnly: !mine }));
  }

  private async saveNow(): Promise<void> {
    const action = await this.effects.saveNow();
    if (action) this.store.dispatch(action);
  }

  protected rename(event: Event): void {
    const title = (event.target as HTMLInputElement).value.trim();
    if (title && title !== this.bench.song()?.title)
      this.bench.edit({ kind: 'rename', title: title.slice(0, 200) });
  }

  protected toggleSheet(which: 'parts' | 'reasons'): void {
    this.sheet.update((open) => (open === which ? null : which));
  }

  protected async showExport(): Promise<void> {
    const arrangement = this.bench.arrangement();
    if (!arrangement) return;
    const { ExportList } = await import('./export-list');
    this.modal.create({
      nzTitle: 'Take it away',
      nzContent: ExportList,
      nzData: arrangement,
      nzFooter: null,
      nzWidth: 620,
    });
  }

  protected async showKeys(): Promise<void> {
    const { KeysList } = await import('../help/keys-list');
    this.modal.create({
      nzTitle: 'Keys',
      nzContent: KeysList,
      nzData: this.openBench().address,
      nzFooter: null,
      nzWidth: 680,
    });
  }

  @HostListener('window:resize')
  protected measure(): void {
    this.isNarrow.set(window.innerWidth < NARROW_PX);
  }

  @HostListener('document:keydown', ['$event'])
  protected onKey(event: KeyboardEvent): void {
    const forTune = this.isTune() && !this.recorder.isBusy() ? this.shortcuts.readTune(event) : null;
    if (forTune) {
      event.preventDefault();
      return obeyTune(this.tune, forTune);
    }
    const forParts = this.isParts() ? this.shortcuts.readParts(event) : null;
    if (forParts) {
      event.preventDefault();
      return obeyParts(this.parts, forParts);
    }
    const forChords = this.isChords() ? this.shortcuts.readChords(event) : null;
    if (forChords) {
      event.preventDefault();
      return obeyChords(this.chords, forChords);
    }
    const command = this.shortcuts.read(event);
    if (!command) return;
    event.preventDefault();
    this.obey(command);
  }

  /** A note of the staff: picked on the Tune bench; elsewhere its chord is selected. */
  protected pressOnStaff({ id, isExtending }: { id: string; isExtending: boolean }): void {
    if (this.isTune()) return this.tune.pick(id, isExtending);
    const note = this.bench.arrangement()?.right.find((n) => n.from === id);
    const under =
      note &&
      this.bench
        .changesInPart()
        .filter((c) => c.change.tick <= note.tick)
        .at(-1);
    if (under) this.bench.select(under.change.id);
  }

  /** On the Tune bench chords are looked at, not worked on. */
  protected selectChange(id: string): void {
    if (!this.isTune()) this.bench.select(id);
  }

  /** A key of the piano on the screen: heard, and recorded or written as a letter where that is asked for. */
  protected press(midi: number): void {
    this.screen.press(midi);
    if (!this.recorder.isBusy()) void this.bench.hearing.keys([midi]);
  }

  private obey(command: Command): void {
    const { bench } = this;
    switch (command.kind) {
      case 'part':
        return bench.goToPart(command.number - 1);
      case 'play-to':
        bench.goToPart(command.number - 1);
        return bench.play('to-part');
      case 'toggle':
        return bench.togglePlaying();
      case 'hands':
        bench.move({ hands: command.hands });
        return bench.play('part');
      case 'tempo':
        return bench.changeTempo(command.by);
      case 'step':
        return bench.step(command.by);
      case 'try':
        return bench.tryBy(command.by);
      case 'take':
        return bench.take();
      case 'leave':
        this.sheet.set(null);
        this.tune.leave();
        return bench.select(null);
      case 'undo':
        return bench.undo();
      case 'redo':
        return bench.redo();
      case 'staff':
        return bench.move({ showsStaff: !bench.place().showsStaff });
      case 'help':
        return void this.showKeys();
    }
  }
}
