import type { Choices, Layout, PartSettings, Pin, Song } from './schema';

/** Everything a pianist can do to an open song, as values that can be undone. */
export type SongEdit =
  | { readonly kind: 'rename'; readonly title: string }
  | { readonly kind: 'tempo'; readonly quartersPerMinute: number }
  | { readonly kind: 'choose'; readonly choices: Partial<Choices> }
  | { readonly kind: 'choose-for-part'; readonly cutId: string; readonly choices: Partial<Choices> }
  | { readonly kind: 'layout'; readonly changeId: string; readonly layout: Layout | null }
  | { readonly kind: 'pin'; readonly pin: Pin }
  | { readonly kind: 'unpin'; readonly changeId: string }
  | { readonly kind: 'settle'; readonly cutId: string; readonly voicings: readonly Pin[] }
  | { readonly kind: 'unsettle'; readonly cutId: string }
  | { readonly kind: 'same-as'; readonly cutId: string; readonly sameAs: string | null }
  | { readonly kind: 'fill'; readonly fillId: string; readonly taken: boolean }
  | { readonly kind: 'thinning'; readonly changeId: string; readonly refused: boolean };

const NO_SETTINGS: PartSettings = { name: null, sameAs: null, choices: {} };

/** The song after an edit; the song given is not altered. */
export function applyEdit(song: Song, edit: SongEdit): Song {
  switch (edit.kind) {
    case 'rename':
      return { ...song, title: edit.title };
    case 'tempo':
      return { ...song, tempoMap: scaleTempo(song.tempoMap, edit.quartersPerMinute) };
    case 'choose':
      return { ...song, choices: { ...song.choices, ...edit.choices } };
    case 'choose-for-part':
      return withSettings(song, edit.cutId, (old) => ({
        ...old,
        choices: { ...old.choices, ...edit.choices },
      }));
    case 'layout':
      return {
        ...song,
        changes: song.changes.map((c) => (c.id === edit.changeId ? { ...c, layout: edit.layout } : c)),
      };
    case 'pin':
      return { ...song, pins: [...without(song.pins, edit.pin.changeId), edit.pin] };
    case 'unpin':
      return { ...song, pins: without(song.pins, edit.changeId) };
    case 'settle':
      return {
        ...song,
        settled: [
          ...song.settled.filter((s) => s.cutId !== edit.cutId),
          { cutId: edit.cutId, voicings: [...edit.voicings] },
        ],
      };
    case 'unsettle':
      return { ...song, settled: song.settled.filter((s) => s.cutId !== edit.cutId) };
    case 'same-as':
      return withSettings(song, edit.cutId, (old) => ({ ...old, sameAs: edit.sameAs }));
    case 'fill':
      return { ...song, fillsDeclined: toggled(song.fillsDeclined, edit.fillId, !edit.taken) };
    case 'thinning':
      return { ...song, thinningRefused: toggled(song.thinningRefused, edit.changeId, edit.refused) };
  }
}

/** The edit in a few words, for "undo …". */
export function describeEdit(edit: SongEdit): string {
  const words: Record<SongEdit['kind'], string> = {
    rename: 'rename',
    tempo: 'tempo',
    choose: 'choice for the song',
    'choose-for-part': 'choice for the part',
    layout: 'layout of a chord',
    pin: 'pinned voicing',
    unpin: 'released voicing',
    settle: 'settled part',
    unsettle: 'part no longer settled',
    'same-as': 'parts declared the same',
    fill: 'fill',
    thinning: 'thinned pattern',
  };
  return words[edit.kind];
}

function without(pins: Song['pins'], changeId: string): Song['pins'] {
  return pins.filter((pin) => pin.changeId !== changeId);
}

function toggled(list: readonly string[], item: string, present: boolean): string[] {
  const rest = list.filter((other) => other !== item);
  return present ? [...rest, item] : rest;
}

function withSettings(song: Song, cutId: string, change: (old: PartSettings) => PartSettings): Song {
  const old = song.partSettings[cutId] ?? NO_SETTINGS;
  return { ...song, partSettings: { ...song.partSettings, [cutId]: change(old) } };
}

/** The first tempo becomes the one asked for; later ones keep their ratio to it. */
function scaleTempo(map: Song['tempoMap'], first: number): Song['tempoMap'] {
  const ratio = first / map[0].quartersPerMinute;
  return map.map((entry) => ({
    ...entry,
    quartersPerMinute: Math.round(entry.quartersPerMinute * ratio * 100) / 100,
  }));
}
