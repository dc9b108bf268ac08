import { Follower } from '../paths';
import { medianOf, type WantedKey } from '../practice';
import { type KeyEvent, USUAL_VELOCITY } from '../takes';
import { Ear, FULL_LOOK, type Strike } from './ear';
import { type KeyShapes, tuned, Tuning } from './keyShapes';
import { type Example, learned } from './learned';
import { type Meeting, meetingsOf } from './meetings';
import type { KeyListener } from './noteListener';
import { type HeardKey, heardOf, type Likened, speaksFor } from './verdict';

/** What it costs that a strike is none of the meetings, that a meeting was passed over, that one begins in the middle, and goes on elsewhere. */
const [NO_MEETING, COSTS] = [0.15, { passed: 0.45, begins: 0.8, elsewhere: 2.2, tooSoon: 0 }];

/** What is taken to stay of what sounded before: much, so that what sounds on is not taken for struck. */
const STAYS = 0.8;

/** A strike that follows a meeting so soon and is no other is the rest of its chord, spread. */
const SPREAD_SECONDS = 0.18;
/** What is fainter than the usual strike by this factor is a noise of the room; as loudness is counted here that is some 45 dB. */
const FAINT = 1 / 8;
/** How this piano sounds is learned while it is played from so many strikes on, anew when there are twice as many, up to the most: more would teach it its own mistakes. */
const [FEW, MANY] = [8, 256];
/** What speaks less for a meeting is no first of all keys, but a noise of the room, and no wrong key is told of it at once. */
const CLEAR = 0.2;
/** So often all of it is gone through once it is over. */
const ROUNDS = 3;
/** More strikes than an hour of playing has are not kept. */
const MOST_STRIKES = 40_000;

/** Hears both hands at a piano, with the keys that are wanted known: tells what was struck, as keys. */
export class ScoreListener implements KeyListener {
  private readonly ear: Ear;
  private readonly meetings: readonly Meeting[];
  private readonly follower: Follower<Likened>;
  private readonly tuning: Tuning;
  /** The first strikes that were meetings. */
  private readonly examples: Example[] = [];
  private learnsAt = FEW;
  private strikes: Strike[] = [];
  /** What the keys of this piano sound like, as far as it is known. */
  private own: KeyShapes;
  /** The keys wanted of which something was told last: it is not told again. */
  private told: {
    readonly number: number;
    readonly meeting: number;
    readonly keys: readonly number[];
  } | null = null;

  /** `known`: what a piano sounds like; `pace`: how many seconds a second of the music is expected to take; `others`: keys the program strikes meanwhile. */
  constructor(
    wanted: readonly WantedKey[],
    private readonly known: KeyShapes,
    samplesPerSecond: number,
    private readonly pace = 1,
    others: readonly WantedKey[] = [],
  ) {
    this.ear = new Ear(samplesPerSecond, STAYS);
    this.meetings = meetingsOf(wanted, others);
    this.follower = this.newFollower();
    this.tuning = new Tuning(known);
    this.own = known;
  }

  /** Hears the next block, which ended at `ended` seconds; what it tells is a first word. */
  hear(block: Float32Array, ended: number): KeyEvent[] {
    const events: KeyEvent[] = [];
    for (const strike of this.ear.hear(block, ended)) {
      const shapes = this.own;
      const likened = likenedBy(shapes, tunedStrike(strike, this.tuning.higher));
      const meeting = this.follow(this.follower, likened, shapes);
      const [last] = this.follower.path(1);
      if (strike.isFull && this.strikes.length < MOST_STRIKES) this.strikes.push(strike);
      if (meeting === null || last.meeting !== meeting) continue;
      if (strike.isFull) this.learnFrom(strike, likened.strike, meeting);
      events.push(...this.firstWords(shapes, likened, meeting));
    }
    return events;
  }

  /** What is told at once of a strike: by a quick look what is sure, by a full one what was not told yet. */
  private firstWords(shapes: KeyShapes, likened: Likened, meeting: number): KeyEvent[] {
    const { strike, came } = likened;
    const isClear = speaksFor(shapes, came, this.meetings[meeting]) >= CLEAR;
    const last = this.told;
    if (!isClear && !last) return [];
    const told = last?.number === strike.number && last.meeting === meeting ? last.keys : [];
    const look = strike.listened < FULL_LOOK ? 'quick' : 'full';
    const heard = heardOf(shapes, [likened], this.meetings[meeting], look).filter(
      ({ key, how }) => (how === 'heard' || (how === 'wrong' && isClear)) && !told.includes(key),
    );
    this.told = { number: strike.number, meeting, keys: [...told, ...heard.map(({ key }) => key)] };
    return eventsOf(heard, strike.seconds);
  }

  /** What was struck, judged by all that was heard, now that it is over: by then it is known how this piano sounds. */
  inFull(): KeyEvent[] {
    const loudness = this.strikes.map(({ came }) => came.reduce((most, value) => Math.max(most, value), 0));
    const usual = medianOf(loudness);
    const { higher } = this.tuning;
    const strikes = this.strikes
      .filter((_, i) => loudness[i] > FAINT * usual)
      .map((strike) => tunedStrike(strike, higher));
    for (let round = 0; round < ROUNDS; round++) this.own = learned(this.own, this.examples);
    const shapes = this.own;
    const follower = this.newFollower();
    for (const strike of strikes) this.follow(follower, likenedBy(shapes, strike), shapes);
    const path = follower.path();
    return path.flatMap(({ thing: likened, meeting }, i) => {
      if (meeting === null) return [];
      const chord = [likened];
      for (const next of path.slice(i + 1)) {
        if (next.meeting !== null) break;
        if (next.thing.strike.seconds - likened.strike.seconds > SPREAD_SECONDS) break;
        chord.push(next.thing);
      }
      return eventsOf(this.heardInFull(chord, this.meetings[meeting]), likened.strike.seconds);
    });
  }

  /** What was heard of a meeting; where little was learned of the piano, by what was known before, too. */
  private heardInFull(chord: readonly Likened[], meeting: Meeting): HeardKey[] {
    const heard = heardOf(this.own, chord, meeting);
    if (this.own.areOwn) return heard;
    const by = chord.map(({ strike }) => likenedBy(this.known, strike));
    const before = heardOf(this.known, by, meeting);
    return heard.map((one, i) => (one.how === 'not-heard' && before[i].how === 'heard' ? before[i] : one));
  }

  /** Learns how this piano is tuned and sounds. */
  private learnFrom(strike: Strike, tunedTo: Strike, meeting: number): void {
    if (this.examples.length === MANY) return;
    const { keys, sounding } = this.meetings[meeting];
    this.tuning.add(strike, keys);
    if (this.examples.push({ came: tunedTo.came, keys: [...keys, ...sounding] }) < this.learnsAt) return;
    this.own = learned(this.own, this.examples);
    this.learnsAt *= 2;
  }

  private newFollower(): Follower<Likened> {
    return new Follower(
      this.meetings.map(({ seconds }) => seconds),
      COSTS,
      this.pace,
    );
  }

  /** A strike that was heard before, and now in full, takes its own place. */
  private follow(follower: Follower<Likened>, likened: Likened, shapes: KeyShapes): number | null {
    const { strike, came } = likened;
    while ((follower.last?.strike.number ?? -1) >= strike.number) follower.takeBack();
    return follower.add(likened, strike.seconds, {
      begins: (m) => speaksFor(shapes, came, this.meetings[m]),
      goesOn: () => -NO_MEETING,
    });
  }
}

/** A strike as it would sound on a piano tuned to A = 440. */
function tunedStrike(strike: Strike, higher: number): Strike {
  return { ...strike, came: tuned(strike.came, higher), sounded: tuned(strike.sounded, higher) };
}

function likenedBy(shapes: KeyShapes, strike: Strike): Likened {
  return { strike, came: shapes.likeness(strike.came), sounded: shapes.likeness(strike.sounded) };
}

function eventsOf(heard: readonly HeardKey[], seconds: number): KeyEvent[] {
  const keys = heard.flatMap(({ key, how, struck }) => (how === 'heard' ? [key] : (struck ?? [])));
  return keys.map((midi) => ({ seconds, midi, velocity: USUAL_VELOCITY }));
}
