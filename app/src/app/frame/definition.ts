import { type Provider, signal, type Signal, type Type, type WritableSignal } from '@angular/core';
import type { HandLie, HeldKey } from '../keyboard/keyboard';
import type { ShownByBench } from './bench-state';
import type { Dragged } from './drag-key';
import { type BenchKey, runOf } from './keys/bench-keys';
import type { Focus, KeyPress } from './keys/press';
import type { NoteMark } from './seam-shapes';

/** Panels of a bench behind tabs, and what the tabs are for. */
export interface BenchTabs {
  readonly label: string;
  readonly hidesFindings?: boolean;
  readonly tabs: readonly BenchTab[];
}

export interface BenchTab {
  readonly value: string;
  readonly label: string;
  readonly panel: Type<unknown>;
  /** Seldom wanted: behind "More". */
  readonly isRare?: boolean;
  /** About the whole song: it has the window, in the place of the part. */
  readonly isWide?: boolean;
}

/** The list of parts, the piano, and what plays. */
export type FramePiece = 'rail' | 'piano' | 'transport';

/** What a bench brings to the frame when it is opened for the first time: its panel, its keys, its state. */
export interface BenchDefinition {
  /** Its state and its behaviour; made once for a song, kept while the song is open. */
  readonly providers: readonly Provider[];
  readonly behaviour: Type<BenchBehaviour>;
  /** The side of the screen: one panel, or some behind tabs. */
  readonly panel: Type<unknown> | BenchTabs;
  /** Shown above the part on screen. */
  readonly above?: Type<unknown>;
  /** Shown in the place of seam and staff. */
  readonly stage?: Type<unknown>;
  /** What of the frame it has no use for: its own content has the room. */
  readonly without?: readonly FramePiece[];
}

const NOTHING: readonly string[] = [];
const NO_LIES: readonly HandLie[] = [];
const NO_ROOM: ReadonlyMap<string, boolean> = new Map();

/** The key of the seam that was pressed, and when it is struck. */
export interface PressedKey {
  readonly midi: number;
  readonly tick: number;
}

/** How a bench takes part in what the frame does. What it leaves alone is as on every bench. */
export abstract class BenchBehaviour implements ShownByBench {
  /** Questions are asked only while the bench is on screen. */
  readonly isOpen = signal(false);
  readonly tab: WritableSignal<string> = signal('');
  /** Changes when something is to be seen from its beginning. */
  readonly begun: Signal<unknown> = signal(null);
  /** What came of the last thing done; empty for nothing. */
  readonly notice: Signal<string> = signal('');
  readonly showsMelodyOnly: boolean = false;
  readonly weighsVoicings: boolean = false;
  readonly pickedTick: Signal<number | null> = signal(null);
  readonly shownKeys: Signal<readonly HeldKey[] | null> = signal(null);
  readonly shownLies: Signal<readonly HandLie[]> = signal(NO_LIES);
  readonly tempoPercent: Signal<number | null> = signal(null);
  /** Notes picked, by played id. */
  readonly picked: Signal<readonly string[]> = signal(NOTHING);
  /** How notes were played, by played id. */
  readonly marks: Signal<ReadonlyMap<string, NoteMark>> = signal(new Map());
  /** Where a line is drawn across both lanes while nothing plays. */
  readonly shownTick: Signal<number | null> = signal(null);
  /** Chords over which there is room for something; true: something is filled in. */
  readonly places: Signal<ReadonlyMap<string, boolean>> = signal(NO_ROOM);
  /** Said where the part on screen has no note. */
  readonly whenEmpty: string | null = null;

  /** Keys that are its own: there the arrows and some letters mean other things. */
  readonly keys: readonly BenchKey[] = [];

  /** What a key does here; null when it means what it means everywhere. */
  readKey(press: KeyPress, focus: Focus, singleKeysAreOn: boolean): (() => void) | null {
    return runOf(this.keys, press, focus, singleKeysAreOn);
  }
  /** A note was pressed; false when nothing came of it, and its chord is selected. */
  pressNote(_id: string, _isExtending: boolean, _key?: PressedKey): boolean {
    return false;
  }
  /** Keys of the seam can be dragged here. */
  readonly canDrag: Signal<boolean> = signal(false);
  /** A note was dragged along, in ticks, or up and down, in steps of the staff. */
  dragNote(_id: string, _key: PressedKey, _by: Dragged): void {
    // Nothing is moved here.
  }
  /** A chord was pressed; false when nothing came of it, and it is selected. */
  pressChange(_id: string): boolean {
    return false;
  }
  /** True when a chord pressed is selected. */
  selectsChanges(): boolean {
    return true;
  }
  /** Back to the part. */
  leave(): void {
    // Nothing was picked.
  }
}
