import type { Key } from '../music';
import { applyBarEdit, type BarEdit } from './barEdits';
import { applyChangesEdit, changeLeftOut, changeMoved, type ChangesEdit } from './changeEdits';
import { applyCutEdit, type CutEdit } from './cutEdits';
import { applyDecision, type DecisionEdit, without, withSettings } from './decisionEdits';
import { applyFrameEdit, type FrameEdit } from './frameEdits';
import { applyNoteEdit, type NoteEdit } from './noteEdits';
import { applyOwnBarsEdit, type OwnBarsEdit } from './ownBars';
import type { Choices, OwnPattern, Song } from './schema';
import { type ChoiceName, withoutChoices } from './ownChoices';
import { withTune } from './tuneTaken';
import { transpose } from './transpose';

/** What a tune that was typed, tapped or played replaces in a song. */
export type TuneFields = Pick<Song, 'melody' | 'pickup' | 'barCount'> & Partial<Song>;

/** What a song is called and found by, and whom it is arranged for. */
export type Named = Pick<Song, 'title' | 'credits' | 'tags' | 'version' | 'profile' | 'notes'>;

/** Everything a pianist can do to an open song, as values that can be undone. */
export type SongEdit =
  | ({ readonly kind: 'rename' } & Partial<Named>)
  | { readonly kind: 'handout-written'; readonly handout: Song['handout'] }
  | { readonly kind: 'tempo'; readonly quartersPerMinute: number }
  | { readonly kind: 'choose'; readonly choices: Partial<Choices> }
  | { readonly kind: 'choose-for-part'; readonly cutId: string; readonly choices: Partial<Choices> }
  /** Choices of a part are the song's again. */
  | {
      readonly kind: 'choices-released';
      readonly cutId: string;
      readonly names: readonly ChoiceName[];
    }
  /** What a part that returns has more of than before; null: as the part it follows. */
  | { readonly kind: 'grown'; readonly cutId: string; readonly choices: Partial<Choices> | null }
  | { readonly kind: 'pattern-kept'; readonly pattern: OwnPattern }
  | { readonly kind: 'pattern-left-out'; readonly id: string }
  | { readonly kind: 'transposed'; readonly key: Key; readonly semitones: number }
  /** A melody put in the place of the old; edits of one session (typing) are undone together. */
  | {
      readonly kind: 'tune-taken';
      readonly what: string;
      readonly session: string | null;
      readonly fields: Partial<TuneFields>;
    }
  /** Several edits as one step. */
  | { readonly kind: 'together'; readonly what: string; readonly edits: readonly SongEdit[] }
  /** A chord symbol written anew. */
  | { readonly kind: 'change-written'; readonly id: string; readonly symbol: string }
  | DecisionEdit
  | ChangesEdit
  /** A change struck later (earlier when negative), or left out; where there is no room the song stays as it is. */
  | { readonly kind: 'change-moved'; readonly id: string; readonly ticks: number }
  | { readonly kind: 'change-left-out'; readonly id: string }
  | CutEdit
  | FrameEdit
  | NoteEdit
  | BarEdit
  | OwnBarsEdit;

/** The song after an edit; the song given is not altered. */
export function applyEdit(song: Song, edit: SongEdit): Song {
  switch (edit.kind) {
    case 'rename': {
      const { kind: _kind, ...named } = edit;
      return { ...song, ...named };
    }
    case 'handout-written':
      return { ...song, handout: edit.handout };
    case 'tempo':
      return { ...song, tempoMap: scaleTempo(song.tempoMap, edit.quartersPerMinute) };
    case 'choose':
      return { ...song, choices: { ...song.choices, ...edit.choices } };
    case 'choose-for-part':
      return withSettings(song, edit.cutId, (old) => ({
        ...old,
        choices: { ...old.choices, ...edit.choices },
      }));
    case 'choices-released':
      return withoutChoices(song, edit.cutId, edit.names);
    case 'grown':
      return withSettings(song, edit.cutId, ({ grown: _before, ...old }) =>
        edit.choices ? { ...old, grown: edit.choices } : old,
      );
    case 'pattern-kept':
      return {
        ...song,
        patterns: [...song.patterns.filter(({ id }) => id !== edit.pattern.id), edit.pattern],
      };
    case 'pattern-left-out':
      return { ...song, patterns: song.patterns.filter(({ id }) => id !== edit.id) };
    case 'transposed':
      return transpose(song, edit.key, edit.semitones);
    case 'tune-taken':
      return withTune(song, edit.fields);
    case 'change-written': {
      const written = (change: Song['changes'][number]): Song['changes'][number] =>
        change.id === edit.id ? { ...change, symbol: edit.symbol } : change;
      return { ...song, changes: song.changes.map(written), pins: without(song.pins, edit.id) };
    }
    case 'together':
      return edit.edits.reduce(applyEdit, song);
    case 'changes-set':
      return applyChangesEdit(song, edit);
    case 'change-moved':
      return applyIfAny(song, changeMoved(song, edit.id, edit.ticks));
    case 'change-left-out':
      return applyIfAny(song, changeLeftOut(song, edit.id));
    case 'layout':
    case 'pin':
    case 'finger-pinned':
    case 'finger-released':
    case 'unpin':
    case 'close-hands':
    case 'settle':
    case 'unsettle':
    case 'same-as':
    case 'fills':
    case 'fill-left':
    case 'fill':
    case 'thinning':
    case 'intensity':
    case 'dismissed':
      return applyDecision(song, edit);
    case 'cuts-placed':
    case 'cut-locked':
    case 'division-chosen':
    case 'part-named':
    case 'sections-set':
      return applyCutEdit(song, edit);
    case 'frame-added':
    case 'frame-removed':
      return applyFrameEdit(song, edit);
    case 'own-bars-written':
    case 'own-bars-cleared':
      return applyOwnBarsEdit(song, edit);
    case 'bars-inserted':
    case 'bar-removed':
    case 'pickup-set':
    case 'metre-set':
    case 'key-set':
    case 'tempo-set':
    case 'feel-set':
    case 'repeat-set':
    case 'repeats-cleared':
      return applyBarEdit(song, edit);
    default:
      return applyNoteEdit(song, edit);
  }
}

/** Edits that follow one another with the same session are undone together: the strokes of typing. */
export function sessionOf(edit: SongEdit): string | null {
  if (edit.kind === 'tune-taken' || edit.kind === 'own-bars-written') return edit.session;
  return edit.kind === 'words-typed' ? `words from ${edit.fromId}, time ${edit.verse ?? 1}` : null;
}

/** The edit in a few words, for "undo …". */
export function describeEdit(edit: SongEdit): string {
  if ('what' in edit) return edit.what;
  const words: Record<Exclude<SongEdit, { what: string }>['kind'], string> = {
    rename: 'name and notes',
    'handout-written': 'words on the handout',
    tempo: 'tempo',
    choose: 'choice for the song',
    'choose-for-part': 'choice for the part',
    'choices-released': 'choices of the song again',
    layout: 'layout of a chord',
    pin: 'pinned voicing',
    unpin: 'released voicing',
    'pattern-kept': 'own pattern',
    'pattern-left-out': 'pattern left out',
    'finger-pinned': 'pinned finger',
    'finger-released': 'released finger',
    'close-hands': 'hands that are close',
    settle: 'part kept as learned',
    unsettle: 'part to be changed again',
    'same-as': 'parts declared the same',
    'cut-locked': 'locked cut',
    'division-chosen': 'another division',
    'part-named': 'name of the part',
    grown: 'varied repeat',
    'frame-added': 'intro or ending',
    'frame-removed': 'intro or ending removed',
    fill: 'fill',
    fills: 'fills',
    'fill-left': 'fill left out',
    thinning: 'thinned pattern',
    transposed: 'another key',
    'change-written': 'chord',
    'change-moved': 'moved chord',
    'change-left-out': 'chord left out',
    intensity: 'intensity of a phrase',
    dismissed: 'finding ignored',
    'notes-moved': 'pitch',
    'notes-shifted': 'start of a note',
    'notes-lengthened': 'length of a note',
    'note-split': 'split note',
    'notes-joined': 'joined notes',
    'note-tied': 'tie',
    'notes-deleted': 'deleted notes',
    'phrase-copied': 'copied phrase',
    'note-added': 'new note',
    'notes-harmonised': 'harmony notes',
    'note-respelled': 'spelling of a note',
    'words-typed': 'words',
    'own-bars-written': 'notes by hand',
    'own-bars-cleared': 'notes by hand removed',
    'bars-inserted': 'new bars',
    'bar-removed': 'removed bar',
    'pickup-set': 'pick-up',
    'metre-set': 'metre',
    'key-set': 'key',
    'tempo-set': 'tempo from a bar on',
    'feel-set': 'feel',
    'repeat-set': 'repeat',
    'repeats-cleared': 'repeats removed',
  };
  return words[edit.kind];
}

function applyIfAny(song: Song, edit: ChangesEdit | null): Song {
  return edit ? applyChangesEdit(song, edit) : song;
}

/** The first tempo becomes the one asked for; later ones keep their ratio to it. */
function scaleTempo(map: Song['tempoMap'], first: number): Song['tempoMap'] {
  const ratio = first / map[0].quartersPerMinute;
  return map.map((entry) => ({
    ...entry,
    quartersPerMinute: Math.round(entry.quartersPerMinute * ratio * 100) / 100,
  }));
}
