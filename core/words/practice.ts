import { theBar, beatsInWords } from '../sentences';
import { classNameOf, type Key, spellInKey, typeset } from '../music';
import {
  type Aim,
  type Cause,
  type HotBar,
  isSaid,
  type Task,
  type JudgedKey,
  type Judgement,
  type Plan,
  type RankedSong,
  rightOf,
  type Standing,
  type Trouble,
  type Turn,
  type WidePassage,
} from '../practice';
import { timesInWords } from './strikes';
import { capital, counted } from './titles';

const HANDS = { right: 'right hand', left: 'left hand', both: 'both hands' } as const;
/** Strikes this near to the player's own tempo are even, in seconds. */
const EVEN_SECONDS = 0.03;
/** A hand so much louder (of 127) is heard as the louder. */
const LOUDER = 6;
/** A beat late by this much or more is told in quarters of it. */
const QUARTER = 0.25;

/** "Part 2, left hand". */
export function taskTitle({
  kind,
  fromPart,
  toPart,
  hands,
}: Pick<Task, 'kind' | 'fromPart' | 'toPart' | 'hands'>): string {
  const part = fromPart === toPart ? `Part ${fromPart}` : `Parts ${fromPart}–${toPart}`;
  switch (kind) {
    case 'hear':
      return `${part}: hear it`;
    case 'meetings':
      return `${part}: say where the hands meet`;
    case 'warm-up':
      return 'Warm up the hands';
    case 'hardest':
      return `${part}: its hardest bar, from the bar before`;
    case 'spot':
      return `${part}: the place that goes wrong`;
    case 'level':
      return 'Up to the next level';
    case 'whole':
      return 'The whole song';
    case 'chain':
      return `${part} in one go`;
    default:
      return `${part}, ${HANDS[hands]}`;
  }
}

/** What a turn was of, as its task is called. */
export function turnTitle({ kind, hands, fromPart, toPart, what }: Turn): string {
  if (fromPart === undefined || toPart === undefined) return what ?? '';
  return taskTitle({ kind, hands, fromPart, toPart });
}

const WHY = { due: 'due again', next: 'already begun', new: 'new' } as const;

const MORE = {
  harder: 'more than others: it is harder',
  'went-wrong': 'more than others: it went wrong',
} as const;

/** "Due again; 4 turns, about 3 minutes". */
export function taskInWords({
  kind,
  why,
  turns,
  minutes,
  more,
}: Pick<Task, 'kind' | 'why' | 'turns' | 'minutes' | 'more'>): string {
  if (kind === 'warm-up') return `Before the first keys; about ${counted(Math.round(minutes), 'minute')}`;
  if (kind === 'level') return 'All of this level is passed';
  const long = minutes < 1 ? 'less than a minute' : `about ${counted(Math.round(minutes), 'minute')}`;
  const often = more === null ? '' : ` (${MORE[more]})`;
  return `${capital(WHY[why])}; ${counted(turns, 'turn')}${often}, ${long}`;
}

/** Where one stands at a goal: "60 % of the tempo, 2 clean turns of 3". */
export function standingInWords({ tempoPercent, clean, missed, isPassed }: Standing, turns: number): string {
  if (isPassed)
    return tempoPercent >= 100
      ? 'At the full tempo, and passed.'
      : `Passed at ${tempoPercent} % of the tempo.`;
  const slip = missed > 0 ? '; one more slip and it gets slower' : '';
  return `${tempoPercent} % of the tempo; ${clean} of ${turns} clean in a row${slip}.`;
}

/** "B♭ instead of A", "A an octave too high". */
function slipInWords(
  { wanted, struck }: { readonly wanted: number; readonly struck: number },
  key: Key,
): string {
  const named = (midi: number): string => typeset(classNameOf(spellInKey(midi, key)));
  if (Math.abs(struck - wanted) !== 12) return `${named(struck)} instead of ${named(wanted)}`;
  return `${named(wanted)} an octave too ${struck > wanted ? 'high' : 'low'}`;
}

/** One place that went wrong: "bar 6: left hand late by a quarter beat, twice", keys named in a key. */
export function troubleInWords({ bar, hand, kind, times, beats, instead }: Trouble, key: Key): string {
  const often = times === 1 ? '' : `, ${timesInWords(times)}`;
  const by = (): string =>
    beats < QUARTER / 2 ? 'a little' : beatsInWords(Math.max(QUARTER, Math.round(beats / QUARTER) * QUARTER));
  switch (kind) {
    case 'wrong':
      if (instead) return `${theBar(bar)}: ${slipInWords(instead, key)} in the ${HANDS[hand]}`;
      return `${theBar(bar)}: a wrong key in the ${HANDS[hand]}${often}`;
    case 'missed':
      return `${theBar(bar)}: a key of the ${HANDS[hand]} left out${often}`;
    case 'extra':
      return `${theBar(bar)}: ${times === 1 ? 'an extra key' : `${times} extra keys`}`;
    case 'restart':
      return `${theBar(bar)}: stopped and begun again${often}`;
    default:
      return `${theBar(bar)}: ${HANDS[hand]} ${kind} by ${by()}${often}`;
  }
}

/** A take in short: how much was right, how the hands went together, how the tempo was kept. */
export function judgementInWords({ apart, tempo, keys, unevenness, force }: Judgement): string[] {
  const reached = keys.filter(({ how }) => how !== 'not-reached').length;
  if (reached === 0) return ['Nothing of it was heard.'];
  const unheard = keys.filter(({ how }) => how === 'not-heard').length;
  const heard = reached - unheard;
  if (heard === 0) return ['Nothing of it was heard.'];
  const right = `${rightOf(keys)} of ${counted(heard, 'key')} ${unheard === 0 ? '' : 'heard '}right and in time.`;
  const asked =
    unheard === 0 ? [] : [`${capital(counted(unheard, 'key'))} ${unheard === 1 ? 'was' : 'were'} not heard.`];
  const together =
    apart === null
      ? []
      : [
          Math.abs(apart) < 0.02
            ? 'The hands come together.'
            : `The left hand comes ${Math.round(Math.abs(apart) * 1000)} ms ${apart > 0 ? 'after' : 'before'} the right.`,
        ];
  const drift = tempo ? tempo.to / tempo.from : 1;
  const kept = !tempo
    ? []
    : [Math.abs(drift - 1) < 0.07 ? 'The tempo was kept.' : drift > 1 ? 'It got faster.' : 'It got slower.'];
  const left = keys.length - reached;
  const stopped = left === 0 ? [] : [`It stopped before the end: ${counted(left, 'key')} to go.`];
  const even =
    unevenness === null
      ? []
      : [
          unevenness < EVEN_SECONDS
            ? 'It is even.'
            : `The beat wavers by ${Math.round(unevenness * 1000)} ms: count aloud.`,
        ];
  return [right, ...asked, ...stopped, ...together, ...kept, ...even, ...loudnessInWords(force)];
}

const SIGNS: Partial<Record<JudgedKey['how'], string>> = {
  wrong: '× another key',
  missed: '○ left out',
  early: '‹ early',
  late: '› late',
  'not-heard': '? not heard',
};

/** The sign at a key that was not just right; undefined where none is needed. */
export function signOf(how: JudgedKey['how']): string | undefined {
  return SIGNS[how]?.[0];
}

/** What the signs at the notes say: those there are. */
export function signsInWords({ keys }: Pick<Judgement, 'keys'>): string {
  const there = Object.entries(SIGNS).filter(([how]) => keys.some((key) => key.how === how));
  return there.map(([, said]) => said).join(' · ');
}

/** The tune should be the louder; nothing where one hand did not play. */
function loudnessInWords({ right, left }: Judgement['force']): string[] {
  if (right === null || left === null) return [];
  if (left > right + LOUDER) return ['The left hand is louder: let the melody come out.'];
  return right > left + LOUDER
    ? ['The melody comes out over the left hand.']
    : ['Both hands are equally loud.'];
}

/** What a plan comes to. */
export function planInWords({ tasks, leftOut, minutes }: Plan): string {
  if (tasks.length === 0)
    return leftOut.length === 0 ? 'There is nothing to practise yet.' : 'Nothing is due today.';
  const later = leftOut.filter(({ why }) => why === 'no-time').length;
  const rest = later === 0 ? '' : ` ${later} more wait for another day.`;
  return `${counted(tasks.length, 'task')}, about ${counted(Math.max(1, Math.round(minutes)), 'minute')}.${rest}`;
}

/** How far it still is: "About 3 hours until all of it is passed: 25 minutes a day; 20 are too few." */
export function toGoInWords({ toGo: { minutes, perDay } }: Pick<Plan, 'toGo'>, today: number): string {
  if (minutes < 1) return '';
  const all =
    minutes < 90 ? counted(Math.round(minutes), 'minute') : counted(Math.round(minutes / 60), 'hour');
  const until = `About ${all} until all of it is passed at this level`;
  if (perDay === null) return `${until}.`;
  const day = Math.max(1, Math.ceil(perDay));
  return `${until}: ${counted(day, 'minute')} a day${day > today ? `; ${today} are too few` : `, and ${today} are enough`}.`;
}

/** What a log comes to: "12 turns, 9 of them clean, 14 minutes on 2 days." */
export function logInWords(
  turns: readonly Pick<Turn, 'seconds' | 'isClean' | 'kind'>[],
  days: number,
): string {
  const minutes = Math.round(turns.reduce((sum, { seconds }) => sum + seconds, 0) / 60);
  // What is only heard or said is never unclean.
  const played = turns.filter((turn) => !isSaid(turn));
  const clean = played.filter(({ isClean }) => isClean).length;
  return `${counted(played.length, 'turn')}, ${clean} of them clean, ${counted(minutes, 'minute')} on ${counted(days, 'day')}.`;
}

/** How the last turn went, in short. */
export function verdictInWords(isClean: boolean, { isPassed }: Standing): string {
  if (isPassed) return 'Clean, and passed';
  return isClean ? 'A clean turn' : 'Not yet';
}

const CAUSES: Record<Cause, string> = {
  leap: 'the hand leaps',
  crossing: 'the thumb goes under, or a finger over it',
  quick: 'it comes quickly',
  'off-the-beat': 'it begins off the beat',
  'black-key': 'a black key',
};

/** A place that keeps going wrong: "bar 6, left hand, 4 slips: the hand leaps". */
export function hotBarInWords({
  bar,
  hand,
  slips,
  cause,
}: Pick<HotBar, 'bar' | 'hand' | 'slips' | 'cause'>): string {
  return `${theBar(bar)}, ${HANDS[hand]}, ${counted(slips, 'slip')}${cause ? `: ${CAUSES[cause]}` : ''}`;
}

/** What was played before an edit and cannot be compared; empty where nothing is lost. */
export function lostInWords(lost: number): string {
  if (lost === 0) return '';
  return `${counted(lost, 'slip')} of earlier turns ${lost === 1 ? 'belongs' : 'belong'} to notes that are no longer there: ${lost === 1 ? 'it is' : 'they are'} left out here.`;
}

/** "You have played for 34 minutes: rest the hands for five." */
export function restInWords(minutes: number): string {
  return `You have played for ${counted(minutes, 'minute')}: put the hands down for five, and shake them out. Where something hurts, stop for today.`;
}

/** What of a passage asks for care: "8 octaves in the right hand: warm hands, a loose wrist, and no more than a few turns in a row." */
export function careInWords({ hand, kind, strikes }: WidePassage): string {
  return `${strikes} ${kind === 'octaves' ? 'octaves' : 'wide chords'} in the ${HANDS[hand]}: play them with warm hands and a loose wrist, a few turns at a time.`;
}

/** How much of what one wants to work on is in a song: "60 of 100, most in part 2; effort of the whole 31". */
export function rankedInWords(
  { much, part, effort }: Pick<RankedSong, 'much' | 'part' | 'effort'>,
  aim: Aim,
): string {
  if (aim === 'easiest') return `Effort ${effort} of 100`;
  if (much === 0) return 'Nothing of it in this song';
  const most = part === null ? '' : `, most in part ${part}`;
  return `${much} of 100${most}; effort of the whole ${effort}`;
}
