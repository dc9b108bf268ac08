import { NO_SETTINGS, withLockedCuts } from './cutEdits';
import { isOnSameKey } from './fingerPins';
import type { CloseHands, FingerPin, Layout, PartSettings, Pin, SettledPart, Song } from './schema';
import { writtenId } from './unfold';

/** What a pianist decides about what is proposed: layouts, keys, fingers, fills, parts that stay as they are. */
export type DecisionEdit =
  | { readonly kind: 'layout'; readonly changeId: string; readonly layout: Layout | null }
  | { readonly kind: 'pin'; readonly pin: Pin }
  | { readonly kind: 'finger-pinned'; readonly pin: FingerPin }
  | { readonly kind: 'finger-released'; readonly key: Omit<FingerPin, 'finger'> }
  | { readonly kind: 'unpin'; readonly changeId: string }
  /** How the hands make room at a written change; null: the chord gives way. */
  | { readonly kind: 'close-hands'; readonly changeId: string; readonly how: CloseHands | null }
  /** Keeps a part as it is; `cuts` are its beginning and the next part's, which stay from then on. */
  | ({
      readonly kind: 'settle';
      readonly cuts: readonly { readonly id: string; readonly tick: number }[];
    } & SettledPart)
  /** Opens a settled part again; `ids` are those of its notes and changes. */
  | { readonly kind: 'unsettle'; readonly cutId: string; readonly ids: readonly string[] }
  | { readonly kind: 'same-as'; readonly cutId: string; readonly sameAs: string | null }
  | { readonly kind: 'fill'; readonly fill: Song['fillsTaken'][number]; readonly taken: boolean }
  /** Several proposals taken, and others declined, at once. */
  | {
      readonly kind: 'fills';
      readonly taken: Song['fillsTaken'];
      readonly declined: readonly string[];
    }
  /** What was decided about a proposal is forgotten. */
  | { readonly kind: 'fill-left'; readonly id: string }
  | { readonly kind: 'thinning'; readonly changeId: string; readonly refused: boolean }
  /** How strong the phrase is that begins with a note (played id); null: as the program plans it. */
  | { readonly kind: 'intensity'; readonly noteId: string; readonly intensity: number | null }
  | { readonly kind: 'dismissed'; readonly id: string };

/** The song after a decision; the song given is not altered. */
export function applyDecision(song: Song, edit: DecisionEdit): Song {
  switch (edit.kind) {
    case 'layout':
      return {
        ...song,
        changes: song.changes.map((c) => (c.id === edit.changeId ? { ...c, layout: edit.layout } : c)),
      };
    case 'pin':
      return { ...song, pins: [...without(song.pins, edit.pin.changeId), edit.pin] };
    case 'finger-pinned':
      return { ...song, fingerPins: [...withoutFinger(song.fingerPins, edit.pin), edit.pin] };
    case 'finger-released':
      return { ...song, fingerPins: withoutFinger(song.fingerPins, edit.key) };
    case 'unpin': {
      // A chord that comes back is held by its own pin, else by that of the chord as written.
      const isOwn = song.pins.some((pin) => pin.changeId === edit.changeId);
      const changeId = isOwn ? edit.changeId : writtenId(edit.changeId);
      return { ...song, pins: without(song.pins, changeId) };
    }
    case 'close-hands': {
      const { changeId, how } = edit;
      return { ...song, closeHands: [...without(song.closeHands, changeId), { changeId, how }] };
    }
    case 'settle': {
      const { kind: _kind, cuts, ...part } = edit;
      // Fingers may be those of a chord of the part before that goes on into this one: it stays that part's.
      const others = song.settled.filter(({ cutId }) => cutId !== part.cutId).flatMap((s) => s.voicings);
      const foreign = new Set(others.map((v) => v.changeId));
      const ids = [
        ...part.voicings.map((v) => v.changeId),
        ...part.fingers.map((f) => f.from).filter((id) => !foreign.has(id)),
      ];
      const settled = [...settledWithout(song, part.cutId, ids), part];
      return withLockedCuts({ ...song, settled }, cuts);
    }
    case 'unsettle':
      return { ...song, settled: settledWithout(song, edit.cutId, edit.ids) };
    case 'same-as':
      return withSettings(song, edit.cutId, (old) => ({ ...old, sameAs: edit.sameAs }));
    case 'fills': {
      const ids = new Set([...edit.taken.map(({ id }) => id), ...edit.declined]);
      return {
        ...song,
        fillsTaken: [...song.fillsTaken.filter(({ id }) => !ids.has(id)), ...edit.taken],
        fillsDeclined: [...song.fillsDeclined.filter((id) => !ids.has(id)), ...edit.declined],
      };
    }
    case 'fill-left':
      return {
        ...song,
        fillsTaken: song.fillsTaken.filter(({ id }) => id !== edit.id),
        fillsDeclined: song.fillsDeclined.filter((id) => id !== edit.id),
      };
    case 'fill': {
      const { fill, taken } = edit;
      const others = song.fillsTaken.filter(({ id }) => id !== fill.id);
      return {
        ...song,
        fillsTaken: taken ? [...others, fill] : others,
        fillsDeclined: toggled(song.fillsDeclined, fill.id, !taken),
      };
    }
    case 'thinning':
      return { ...song, thinningRefused: toggled(song.thinningRefused, edit.changeId, edit.refused) };
    case 'intensity': {
      const { [edit.noteId]: _before, ...others } = song.intensities ?? {};
      const all = edit.intensity === null ? others : { ...others, [edit.noteId]: edit.intensity };
      const { intensities: _all, ...rest } = song;
      return Object.keys(all).length > 0 ? { ...rest, intensities: all } : rest;
    }
    case 'dismissed':
      return { ...song, dismissed: toggled(song.dismissed, edit.id, true) };
  }
}

function withoutFinger(pins: readonly FingerPin[], key: Omit<FingerPin, 'finger'>): FingerPin[] {
  return pins.filter((pin) => !isOnSameKey(pin, key));
}

/** What is settled without a cut's own entry and without certain notes and changes. */
function settledWithout(song: Song, cutId: string, ids: readonly string[]): Song['settled'] {
  const gone = new Set(ids);
  return song.settled
    .filter((s) => s.cutId !== cutId)
    .map((s) => ({
      ...s,
      voicings: s.voicings.filter((v) => !gone.has(v.changeId)),
      keys: s.keys?.filter((key) => !gone.has(key.from)) ?? null,
      fingers: s.fingers.filter((f) => !gone.has(f.from)),
    }))
    .filter((s) => s.voicings.length + s.fingers.length > 0);
}

/** Entries about other changes. */
export function without<T extends { readonly changeId: string }>(list: readonly T[], changeId: string): T[] {
  return list.filter((entry) => entry.changeId !== changeId);
}

function toggled(list: readonly string[], item: string, present: boolean): string[] {
  const rest = list.filter((other) => other !== item);
  return present ? [...rest, item] : rest;
}

/** The settings of a cut's part altered. */
export function withSettings(song: Song, cutId: string, change: (old: PartSettings) => PartSettings): Song {
  const old = song.partSettings[cutId] ?? NO_SETTINGS;
  return { ...song, partSettings: { ...song.partSettings, [cutId]: change(old) } };
}
