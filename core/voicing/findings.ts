import { KEYBOARDS, nameOf, reachMm, spanMm, typeset } from '../music';
import { type CloseHands, type Finding, type Fix, type PlayedChange, type Profile } from '../song';
import { soundingIn } from './bounds';
import { lowIntervalBreaches } from './cost';
import { isUnderMelody } from './members';
import type { VoicingTask } from './task';
import type { VoicedChange } from './voiced';

/** No note is looked for that began longer ago than this, in ticks. */
const LONGEST_NOTE = 100_000;
/** Pairs this far (semitones) or further below their low-interval limit are worth a word. */
const MUDDY_FROM = 3;

const LET_GO = 'Play it whole and let it go early';

/** Chords the right hand plays are judged there. */
function inRightHand({ layout }: VoicedChange): boolean {
  return layout === 'singing' || isUnderMelody(layout);
}

/** Said once for a part whose melody was raised to make room. */
export function raisedFinding(change: PlayedChange): Finding {
  return {
    kind: 'melody-raised',
    tick: change.tick,
    text: `The left hand has no room for ${typeset(change.symbol)} below the melody: the melody of this part is played an octave higher.`,
    remedies: ['Let the hands cross here'],
    fixes: [roomMade('Let the hands cross here', change, 'cross')],
  };
}

function roomMade(label: string, { writtenId }: PlayedChange, how: CloseHands): Fix {
  return { label, edit: { kind: 'close-hands', changeId: writtenId, how } };
}

/** What had to give way at this change. */
export function relaxationFindings(v: VoicedChange, profile: Profile): Finding[] {
  const symbol = typeset(v.change.symbol);
  const at = { tick: v.change.tick };
  const found: Finding[] = [];
  if (v.relaxed === 'crossing' && v.closeHands !== 'cross') {
    found.push({
      ...at,
      kind: 'crossing',
      text: `No room for ${symbol} below the melody, even an octave higher: the hands cross here.`,
      remedies: ['Leave the chord out', 'Raise the melody another octave', 'Play the root alone'],
      fixes: [{ label: 'Leave the chord out', edit: { kind: 'change-left-out', id: v.change.writtenId } }],
    });
  }
  if (v.relaxed === 'shortened' && v.closeHands !== 'let-go') {
    found.push({
      ...at,
      kind: 'shortened',
      text: `${symbol} is let go early: the melody comes down onto its keys.`,
      remedies: ['Let the hands cross here', 'Raise the melody an octave'],
      fixes: [roomMade('Let the hands cross here', v.change, 'cross')],
    });
  }
  if (v.voicing.missing.length > 0) {
    found.push({
      ...at,
      kind: 'thin-chord',
      text: `${symbol} is thinned to ${v.pitches.map((p) => typeset(nameOf(p))).join(' ')}: the whole chord has no room here.`,
      remedies: [...(v.couldLetGo ? [LET_GO] : []), 'Let the hands cross here', 'Raise the melody an octave'],
      fixes: [
        ...(v.couldLetGo ? [roomMade(LET_GO, v.change, 'let-go')] : []),
        roomMade('Let the hands cross here', v.change, 'cross'),
      ],
    });
  }
  const isFree = v.fixedBy !== 'pin' && v.fixedBy !== 'settled';
  if (isFree && !inRightHand(v) && v.voicing.spanMm > reachMm(profile.leftReach)) {
    found.push({
      ...at,
      kind: 'reach',
      text: `${symbol} is wider than your left hand: roll it from below, one key after the other.`,
      remedies: ['Play it as an open fifth', 'Play it as a block'],
      fixes: (['fifth', 'block'] as const).map((layout, i) => ({
        label: ['Play it as an open fifth', 'Play it as a block'][i],
        edit: { kind: 'layout' as const, changeId: v.change.writtenId, layout },
      })),
    });
  }
  const breach = inRightHand(v) ? 0 : Math.max(0, ...lowIntervalBreaches(v.voicing.keys));
  if (breach > 0) {
    found.push({
      ...at,
      kind: 'muddy',
      text: `${symbol} lies low: its notes are so close together down here that it sounds ${breach >= MUDDY_FROM ? 'muddy' : 'a little thick'}.`,
      remedies: ['Two notes for this chord', 'Raise the melody an octave and the chord with it'],
      fixes: [
        {
          label: 'Two notes for this chord',
          edit: { kind: 'layout', changeId: v.change.writtenId, layout: 'fifth' },
        },
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

/** Of findings that every chord of a part may have, one a part is enough. */
export function oncePerPart(findings: readonly Finding[], partOf: (tick: number) => number): Finding[] {
  const seen = new Map<string, number>();
  const counts = new Map<string, number>();
  for (const { kind, tick } of findings)
    counts.set(`${kind}@${partOf(tick)}`, (counts.get(`${kind}@${partOf(tick)}`) ?? 0) + 1);
  return findings.flatMap((finding) => {
    const place = `${finding.kind}@${partOf(finding.tick)}`;
    if (finding.kind !== 'reach') return [finding];
    if (seen.has(place)) return [];
    seen.set(place, finding.tick);
    const others = (counts.get(place) ?? 1) - 1;
    if (others === 0) return [finding];
    const more = others === 1 ? 'So is one more chord' : `So are ${others} more chords`;
    return [{ ...finding, text: `${finding.text} ${more} of this part.` }];
  });
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
  const problems: { readonly about: string; readonly says: string }[] = [];
  if (spanMm(keys[0], top) > reachMm(task.profile.leftReach))
    problems.push({ about: 'reach', says: 'is wider than your left hand' });
  if (keys[0] < keyboard.low || top > keyboard.high)
    problems.push({ about: 'keyboard', says: `runs off a keyboard of ${task.profile.keyboard} keys` });
  const held = { tick: v.change.tick, length: v.length };
  // That a pin meets the melody is said where the hands bump, with what could be done.
  const mayMeet = v.fixedBy === 'pin' || isUnderMelody(v.layout) || v.closeHands !== null;
  if (!mayMeet && !fitsUnder(task, held, keys)) problems.push({ about: 'melody', says: 'meets the melody' });
  const release = 'Release it, and the nearest voicing that fits is chosen';
  return problems.map(({ about, says }) => ({
    kind: v.fixedBy === 'settled' ? 'settled' : 'pin',
    tick: v.change.tick,
    about,
    text: `The ${kept} voicing of ${symbol} ${says}; it is kept as it is.`,
    remedies: [release],
    fixes:
      v.fixedBy === 'pin'
        ? [{ label: release, edit: { kind: 'unpin' as const, changeId: v.change.id } }]
        : [],
  }));
}
