import { bassOf, chroma, KEYBOARDS, nameOf, reachMm, spanMm, typeset } from '../music';
import { type CloseHands, type Finding, type Remedy, type PlayedChange, type Profile } from '../song';
import { soundingIn } from './bounds';
import { lowIntervalBreaches } from './cost';
import { isUnderMelody } from './members';
import type { VoicingTask } from './task';
import type { VoicedChange } from './voiced';
import { offers, type Phrase, says } from '../sentences';

/** No note is looked for that began longer ago than this, in ticks. */
const LONGEST_NOTE = 100_000;
/** Pairs this far (semitones) or further below their low-interval limit are worth a word. */
const MUDDY_FROM = 3;

/** Chords the right hand plays are judged there. */
function inRightHand({ layout }: VoicedChange): boolean {
  return layout === 'singing' || isUnderMelody(layout);
}

/** Said once for a part whose melody was raised to make room. */
export function raisedFinding(change: PlayedChange): Finding {
  return {
    kind: 'melody-raised',
    tick: change.tick,
    says: [says.raised(typeset(change.symbol))],
    remedies: [roomMade(offers.cross(), change, 'cross')],
  };
}

function roomMade(offer: Phrase, { writtenId }: PlayedChange, how: CloseHands): Remedy {
  return { offer, edit: { kind: 'close-hands', changeId: writtenId, how } };
}

/** Makes a remedy that raises the melody of the part at a tick; null where that cannot be. */
type RaiseMelody = (tick: number, offer: Phrase) => Remedy | null;

/** What had to give way at this change; every remedy has its edit. */
export function relaxationFindings(
  v: VoicedChange,
  profile: Profile,
  raiseMelodyAt?: RaiseMelody,
): Finding[] {
  const raised = (offer: Phrase): Remedy[] => {
    const fix = raiseMelodyAt?.(v.change.tick, offer);
    return fix ? [fix] : [];
  };
  return foundIn(v, profile, raised);
}

/** The root alone, where the hand lies, or its lowest key where the root is not among them. */
function rootPinned({ change, voicing, chord }: VoicedChange): Remedy {
  const root = voicing.keys.find((key) => key % 12 === chroma(bassOf(chord))) ?? voicing.keys[0];
  return {
    offer: offers.rootAlone(),
    edit: { kind: 'pin', pin: { changeId: change.id, keys: [root], fingers: null } },
  };
}

function foundIn(v: VoicedChange, profile: Profile, raised: (offer: Phrase) => Remedy[]): Finding[] {
  const symbol = typeset(v.change.symbol);
  const at = { tick: v.change.tick };
  const found: Finding[] = [];
  if (v.relaxed === 'crossing' && v.closeHands !== 'cross') {
    found.push({
      ...at,
      kind: 'crossing',
      says: [says.crossing(symbol)],
      remedies: [
        { offer: offers.leaveChordOut(), edit: { kind: 'change-left-out', id: v.change.writtenId } },
        ...raised(offers.raiseMelody()),
        rootPinned(v),
      ],
    });
  }
  if (v.relaxed === 'shortened' && v.closeHands !== 'let-go') {
    found.push({
      ...at,
      kind: 'shortened',
      says: [says.shortened(symbol)],
      remedies: [roomMade(offers.cross(), v.change, 'cross'), ...raised(offers.raiseMelody())],
    });
  }
  if (v.voicing.missing.length > 0) {
    found.push({
      ...at,
      kind: 'thin-chord',
      says: [
        says.thinChord(
          symbol,
          v.pitches.map((p) => typeset(nameOf(p))),
        ),
      ],
      remedies: [
        ...(v.couldLetGo ? [roomMade(offers.letGo(), v.change, 'let-go')] : []),
        roomMade(offers.cross(), v.change, 'cross'),
        ...raised(offers.raiseMelody()),
      ],
    });
  }
  const isFree = v.fixedBy !== 'pin' && v.fixedBy !== 'settled';
  if (isFree && !inRightHand(v) && v.voicing.spanMm > reachMm(profile.leftReach)) {
    found.push({
      ...at,
      kind: 'reach',
      says: [says.reach(symbol)],
      sameAs: 'wide',
      remedies: (['fifth', 'block'] as const).map((layout, i) => ({
        offer: [offers.openFifth(), offers.block()][i],
        edit: { kind: 'layout' as const, changeId: v.change.writtenId, layout },
      })),
    });
  }
  const breach = inRightHand(v) ? 0 : Math.max(0, ...lowIntervalBreaches(v.voicing.keys));
  // What the program chose itself is told where it is plainly heard; what the pianist fixed, wherever it lies too low.
  if (breach >= (isFree ? MUDDY_FROM : 1)) {
    found.push({
      ...at,
      kind: 'muddy',
      says: [says.muddy(symbol), ...(isFree ? [says.noRoomHigher()] : [])],
      sameAs: 'low',
      remedies: [
        {
          offer: offers.twoNotes(),
          edit: { kind: 'layout', changeId: v.change.writtenId, layout: 'fifth' },
        },
        ...raised(offers.raiseMelodyAndChord()),
      ],
    });
  }
  return found;
}

/** Whether left-hand keys lie below all the melody that sounds with a change. */
function fitsUnder(
  { melody }: Pick<VoicingTask, 'melody'>,
  { tick, length }: { readonly tick: number; readonly length: number },
  keys: readonly number[],
): boolean {
  const top = keys[keys.length - 1];
  return soundingIn(melody, tick, tick + length, LONGEST_NOTE).every((note) => note.midi > top);
}

/** A pinned or settled voicing is kept whatever happens; where it no longer fits, that is said. */
export function fixedFindings(v: VoicedChange, task: VoicingTask): Finding[] {
  // What parts that are the same share was chosen to fit them all.
  if (v.fixedBy !== 'pin' && v.fixedBy !== 'settled') return [];
  const { keys } = v.voicing;
  const keyboard = KEYBOARDS[task.profile.keyboard];
  const top = keys[keys.length - 1];
  const symbol = typeset(v.change.symbol);
  const kept = v.fixedBy === 'pin' ? 'pinned' : 'settled';
  const problems: { readonly about: string; readonly problem: Phrase }[] = [];
  if (spanMm(keys[0], top) > reachMm(task.profile.leftReach))
    problems.push({ about: 'reach', problem: says.keptTooWide() });
  if (keys[0] < keyboard.low || top > keyboard.high)
    problems.push({ about: 'keyboard', problem: says.keptOffKeyboard(task.profile.keyboard) });
  const held = { tick: v.change.tick, length: v.length };
  // That a pin meets the melody is said where the hands bump, with what could be done.
  const mayMeet = v.fixedBy === 'pin' || isUnderMelody(v.layout) || v.closeHands !== null;
  if (!mayMeet && !fitsUnder(task, held, keys))
    problems.push({ about: 'melody', problem: says.keptMeetsMelody() });
  const release = offers.release();
  return problems.map(({ about, problem }) => ({
    kind: v.fixedBy === 'settled' ? 'settled' : 'pin',
    tick: v.change.tick,
    about,
    says: [says.kept(kept, symbol, problem)],
    remedies:
      v.fixedBy === 'pin'
        ? [{ offer: release, edit: { kind: 'unpin' as const, changeId: v.change.id } }]
        : [],
  }));
}
