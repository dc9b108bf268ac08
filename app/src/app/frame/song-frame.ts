import { NgComponentOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  HostListener,
  inject,
  Injector,
  input,
  type OnInit,
  signal,
  type Type,
  untracked,
  viewChild,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { partSummary } from '@joined-hands/core/words';
import { Store } from '@ngrx/store';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { midiInputs } from '../input/key-sources';
import { inputsAllowed, listenToPedals } from '../input/pedals';
import { Recorder } from '../input/recorder';
import { ScreenKeyboard } from '../input/screen-keyboard';
import { Keyboard } from '../keyboard/keyboard';
import { Staff } from '../notation/staff';
import { Piano } from '../sound/piano';
import { SongActions } from '../state/actions';
import { SongStore } from '../storage/song-store';
import { takeAwayCopy, takeAwayRaw } from '../storage/take-away';
import { GUIDED_SONG } from '../ui/guide-steps';
import { Problems } from '../ui/problems';
import { BenchPanel } from './bench-panel';
import { BenchState } from './bench-state';
import { type BenchBehaviour, type BenchDefinition, type FramePiece } from './definition';
import { FrameHeader } from './frame-header';
import { GuideStrip } from './guide-strip';
import { Hearing } from './hearing';
import { KeysShown } from './keys-shown';
import { frameKeys } from './keys/frame-keys';
import { Shortcuts } from './keys/shortcuts';
import { PartsRail } from './parts-rail';
import { Playing } from './playing';
import { Finder } from './find/finder';
import { benchAt, BENCHES, type BenchRow } from './registry';
import { type PressedNote, Seam } from './seam';
import { goToNextPlace, SkipLinks } from './skip-links';
import { Swipe } from '../ui/swipe';
import { Transport } from './transport';
import { VersionsLine } from './versions-line';
import { Saver } from '../effects/saver';
import { keepAwake } from '../ui/awake';
import { messageOf } from '../ui/message';

const NARROW_PX = 900;

/** A bench that is open: what it brought, and where its state lives. */
interface OpenBench {
  readonly definition: BenchDefinition;
  readonly injector: Injector & { destroy?(): void };
  readonly behaviour: BenchBehaviour;
  /** The side of the screen, and what it is given. */
  readonly panel: Type<unknown>;
  readonly inputs: Record<string, unknown>;
}

/** The song on screen: header, parts rail, seam, the open bench's panel, keyboard, transport. */
@Component({
  selector: 'jh-song-frame',
  imports: [
    NgComponentOutlet,
    RouterLink,
    NzButtonComponent,
    FrameHeader,
    GuideStrip,
    Keyboard,
    PartsRail,
    Seam,
    SkipLinks,
    Staff,
    Swipe,
    Transport,
    VersionsLine,
  ],
  providers: [BenchState, Finder, Hearing, KeysShown, Playing, Recorder, ScreenKeyboard],
  templateUrl: './song-frame.html',
  styleUrl: './song-frame.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[class.desk]': 'bench.isOnDesk()' },
})
export class SongFrame implements OnInit {
  readonly id = input.required<string>();
  readonly benchName = input<string>();
  readonly tab = input<string>();

  readonly bench = inject(BenchState);
  protected readonly keys = inject(KeysShown);
  readonly playing = inject(Playing);
  private readonly screen = inject(ScreenKeyboard);
  protected readonly recorder = inject(Recorder);
  private readonly store = inject(Store);
  private readonly songs = inject(SongStore);
  private readonly saver = inject(Saver);
  private readonly problems = inject(Problems);
  private readonly shortcuts = inject(Shortcuts);
  private readonly injector = inject(Injector);
  private readonly router = inject(Router);

  protected readonly isMissing = computed(() => this.bench.state().missing === this.id());
  /** What the seam shows, in words; made anew when it shows something else. */
  protected readonly inWords = computed(() => {
    if (!this.bench.view()) return [];
    const arrangement = untracked(this.bench.arrangement);
    return arrangement ? partSummary(arrangement, untracked(this.bench.partIndex)) : [];
  });
  protected readonly unreadable = computed(() => {
    const { unreadable } = this.bench.state();
    return unreadable?.id === this.id() ? unreadable.reason : null;
  });
  private readonly frameKeys = frameKeys(this);
  /** The open bench's own keys, and those of every bench that are of use there. */
  protected readonly listedKeys = computed(() => {
    const open = this.open();
    const isOfUse = { seam: !open?.definition.stage, voicings: open?.behaviour.weighsVoicings ?? false };
    return [
      ...(open?.behaviour.keys ?? []),
      ...this.frameKeys.filter(({ needs }) => !needs || isOfUse[needs]),
    ];
  });
  protected readonly guidedSong = GUIDED_SONG;
  protected readonly isNarrow = signal(window.innerWidth < NARROW_PX);
  /** Which side sheet is open on a narrow screen. */
  protected readonly sheet = signal<'parts' | 'panel' | null>(null);
  protected readonly row = computed(() => benchAt(this.benchName()));
  /** The bench on screen; null until it has been loaded. */
  protected readonly open = signal<OpenBench | null>(null);
  /** What is looked at has the window. */
  protected readonly isWide = computed(() => {
    const open = this.open();
    const side = open?.definition.panel;
    const tabs = side && 'tabs' in side ? side.tabs : [];
    return tabs.find(({ value }) => value === open?.behaviour.tab())?.isWide ?? false;
  });
  /** Said where a bench could not be loaded; the others work. */
  protected readonly notLoaded = signal<string | null>(null);
  protected readonly problem = computed(() => this.bench.state().problem ?? this.playing.player.problem());
  /** Nothing has been told of the song yet. */
  protected readonly isEmpty = computed(() => {
    const song = this.bench.song();
    return song !== null && song.melody.length + song.changes.length === 0;
  });
  /** The panel was put away for a take, and comes again after it. */
  private showsAfterwards = false;
  private readonly seam = viewChild(Seam);
  private readonly benches = new Map<BenchRow, OpenBench>();

  constructor() {
    effect(() => {
      const row = this.row();
      untracked(() => void this.openBench(row));
    });
    effect(() => {
      const side = this.open()?.definition.panel;
      const tab = side && 'tabs' in side && side.tabs.find(({ value }) => value === this.tab());
      if (tab) this.open()?.behaviour.tab.set(tab.value);
    });
    effect(() => this.clearForTake(this.recorder.isBusy()));
    effect((onCleanup) => {
      if (!this.bench.isOnDesk()) return;
      onCleanup(this.turnWithPedals());
      onCleanup(keepAwake());
    });
    inject(Piano).loadAfterPress();
    this.leaveWithPage();
  }

  /** On a narrow screen what is played is seen while it is listened to, and what came of it afterwards. */
  private clearForTake(isBusy: boolean): void {
    if (isBusy && this.isNarrow() && untracked(this.sheet) === 'panel') {
      this.sheet.set(null);
      this.showsAfterwards = true;
    } else if (!isBusy && this.showsAfterwards) {
      this.showsAfterwards = false;
      this.sheet.set('panel');
    }
  }

  /** On the desk the pedals of a MIDI piano turn rows; gives what stops that. */
  private turnWithPedals(): () => void {
    let stop: () => void = () => undefined;
    let isLeft = false;
    const listening = inputsAllowed(midiInputs).then((inputs) => {
      if (!isLeft) stop = listenToPedals(inputs, (by) => this.turn(by));
    });
    this.problems.guard('The pedals of the MIDI keyboard cannot turn pages', listening);
    return () => {
      isLeft = true;
      stop();
    };
  }

  /** What is open is stored when the page or the song is left. */
  private leaveWithPage(): void {
    const leaving = (): void => this.store.dispatch(SongActions.saveAsked());
    // Only where it is neither stored nor written down.
    const warning = (event: BeforeUnloadEvent): void => {
      if (this.bench.state().unsaved || !this.saver.pageGoes()) event.preventDefault();
    };
    window.addEventListener('beforeunload', warning);
    window.addEventListener('pagehide', leaving);
    document.addEventListener('visibilitychange', leaving);
    inject(DestroyRef).onDestroy(() => {
      window.removeEventListener('beforeunload', warning);
      window.removeEventListener('pagehide', leaving);
      document.removeEventListener('visibilitychange', leaving);
      this.playing.player.stop();
      this.recorder.stop();
      for (const { injector } of this.benches.values()) injector.destroy?.();
      this.store.dispatch(SongActions.leaveAsked({ id: this.id() }));
    });
  }

  ngOnInit(): void {
    this.askFor(false);
  }

  protected askFor(takeOver: boolean): void {
    this.store.dispatch(SongActions.openAsked({ id: this.id(), takeOver }));
  }

  /** Loads a bench when it is first opened; what it keeps is kept while the song is open. */
  protected async openBench(row: BenchRow): Promise<void> {
    this.notLoaded.set(null);
    try {
      const bench = this.benches.get(row) ?? this.made(row, await row.load());
      if (this.row() !== row) return;
      this.open()?.behaviour.isOpen.set(false);
      bench.behaviour.isOpen.set(true);
      this.open.set(bench);
      this.bench.open.set(bench.behaviour);
    } catch (error) {
      this.open.set(null);
      this.bench.open.set(null);
      const why = messageOf(error);
      this.notLoaded.set(`The ${row.name} bench could not be loaded: ${why}. The other benches work.`);
    }
  }

  /**
   * Loads the bench once more. A browser remembers that a file it needs failed, so that only a page loaded anew asks for
   * it again: that is done where the server answers, everything stored before.
   */
  protected async tryAgain(): Promise<void> {
    await this.openBench(this.row());
    if (this.notLoaded() === null) return;
    const answers = await fetch(location.href, { cache: 'no-store' }).then(
      ({ ok }) => ok,
      () => false,
    );
    if (!answers) return;
    this.store.dispatch(SongActions.saveAsked());
    location.reload();
  }

  private made(row: BenchRow, definition: BenchDefinition): OpenBench {
    const injector = Injector.create({ providers: [...definition.providers], parent: this.injector });
    const behaviour = injector.get(definition.behaviour);
    const side = definition.panel;
    const bench: OpenBench =
      'tabs' in side
        ? { definition, injector, behaviour, panel: BenchPanel, inputs: { about: side, behaviour } }
        : { definition, injector, behaviour, panel: side, inputs: {} };
    this.benches.set(row, bench);
    return bench;
  }

  protected takeAwayRaw(): void {
    const taken = takeAwayRaw(this.songs, this.id(), this.id());
    this.problems.guard('The stored data could not be downloaded', taken);
  }

  protected takeAwayCopy(): void {
    const { song, profile } = this.bench.state();
    if (song) takeAwayCopy(song, profile);
  }

  protected toggleSheet(which: 'parts' | 'panel'): void {
    this.sheet.update((open) => (open === which ? null : which));
  }

  @HostListener('window:resize')
  protected measure(): void {
    this.isNarrow.set(window.innerWidth < NARROW_PX);
  }

  @HostListener('document:keydown', ['$event'])
  protected onKey(event: KeyboardEvent): void {
    const run = this.shortcuts.read(event, {
      frame: this,
      keys: this.frameKeys,
      bench: this.open()?.behaviour,
      parts: this.bench.arrangement()?.parts.length ?? 0,
    });
    if (!run) return;
    event.preventDefault();
    run();
  }

  /** Whether the bench has a use for a piece of the frame. */
  protected has(piece: FramePiece): boolean {
    return !this.open()?.definition.without?.includes(piece);
  }

  /** Leaves what is open or being done, sheets too. */
  leave(): void {
    if (this.bench.isOnDesk()) return this.bench.isOnDesk.set(false);
    this.sheet.set(null);
    this.open()?.behaviour.leave();
    this.bench.select(null);
  }

  /** What plays can be stopped on any bench. */
  protected readonly hasTransport = computed(() => this.has('transport') || this.playing.player.isPlaying());

  goToBench(number: number): void {
    const row = BENCHES[number - 1];
    if (row) void this.router.navigate(['/song', this.id(), ...(row.address ? [row.address] : [])]);
  }

  readonly goToNextPlace = goToNextPlace;

  turn(by: 1 | -1): void {
    if (this.seam()?.turn(by)) return;
    this.bench.goToPart(this.bench.partIndex() + by);
  }

  /** A note of the seam or the staff: the bench's own affair, or its chord is selected. */
  protected pressNote({
    id,
    isExtending,
    midi,
    tick,
  }: Partial<PressedNote> & Pick<PressedNote, 'id' | 'isExtending'>): void {
    const key = midi === undefined || tick === undefined ? undefined : { midi, tick };
    if (this.open()?.behaviour.pressNote(id, isExtending, key)) return;
    if (this.bench.arrangement()?.changes.some(({ change }) => change.id === id))
      return this.selectChange(id);
    const note = this.bench.arrangement()?.right.find((n) => n.from === id);
    const under = note && this.bench.changesInPart().findLast((c) => c.change.tick <= note.tick);
    if (under) this.bench.select(under.change.id);
  }

  protected selectChange(id: string): void {
    const behaviour = this.open()?.behaviour;
    if (behaviour?.pressChange(id)) return;
    if (behaviour?.selectsChanges()) this.bench.select(id);
  }

  /** A key of the piano on the screen: heard, and recorded or written as a letter where that is asked for. */
  protected press(midi: number): void {
    this.screen.press(midi);
    if (!this.recorder.isBusy()) void this.bench.hearing.keys([midi]);
  }
}
