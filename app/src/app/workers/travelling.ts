import type { ArrangedChange, Arrangement, PartArrangement } from '@joined-hands/core/arrangement';
import { assemble } from '@joined-hands/core/arrangement';
import type { HandRelations } from '@joined-hands/core/joining';
import { gotOrMade } from '@joined-hands/core/music';
import type { Part } from '@joined-hands/core/parts';
import type { PlayedSong, Profile, Song } from '@joined-hands/core/song';

/** Anything of an arrangement that has an identity of its own: it is sent once and then known by its number. */
type Thing = PlayedSong | Part | ArrangedChange | PartArrangement | HandRelations;

/** What a thing is made of, with an identity of its own too: the strikes of a hand, a chord, where it meets the melody. */
type Piece = object;

/** A thing taken apart: where one piece is another than before, the rest need not travel again. */
interface TakenApart {
  /** The thing with numbers in place of its pieces. */
  readonly fields: Readonly<Record<string, unknown>>;
  /** The fields that are pieces. */
  readonly pieces: readonly string[];
}

/** An arrangement by the numbers of its things, with those the interface does not have. */
export interface Sent {
  readonly played: number;
  readonly parts: readonly number[];
  readonly changes: readonly number[];
  /** Null for parts that are still to come. */
  readonly arranged: readonly (number | null)[];
  readonly relations: number;
  readonly raisedParts: readonly number[];
  readonly things: ReadonlyMap<number, TakenApart>;
  readonly pieces: ReadonlyMap<number, Piece>;
  readonly isPartial: boolean;
}

/** As many whole arrangements both sides remember: what was there a press ago need not travel again. */
const WHOLES = 3;

/** The numbers that both sides know, by the same rule. */
class Remembered {
  private wholes: ReadonlySet<number>[] = [];
  private since = new Set<number>();

  /** What an arrangement uses is known from then on; with a whole one both forget what the last few do not use. */
  add(used: ReadonlySet<number>, isPartial: boolean): void {
    if (isPartial) used.forEach((number) => this.since.add(number));
    else {
      this.wholes = [used, ...this.wholes].slice(0, WHOLES);
      this.since = new Set();
    }
  }

  has(number: number): boolean {
    return this.since.has(number) || this.wholes.some((used) => used.has(number));
  }
}

/** On the worker's side: remembers what it sent, and sends the rest. */
export class Sender {
  private readonly numbers = new WeakMap<object, number>();
  private lastNumber = 0;
  private readonly apart = new WeakMap<Thing, TakenApart>();
  private readonly there = new Remembered();

  pack(arrangement: Arrangement): Sent {
    const things = new Map<number, TakenApart>();
    const pieces = new Map<number, Piece>();
    const used = new Set<number>();
    const sent = (thing: Thing): number => {
      const number = this.numberOf(thing);
      const apart = gotOrMade(this.apart, thing, () => this.takenApart(thing));
      if (!this.there.has(number)) things.set(number, apart);
      used.add(number);
      for (const name of apart.pieces) {
        const piece = apart.fields[name] as number;
        if (!this.there.has(piece)) pieces.set(piece, thing[name as keyof Thing]);
        used.add(piece);
      }
      return number;
    };
    const { played, parts, changes, arranged, relations, raisedParts, isPartial } = arrangement;
    const message = {
      played: sent(played),
      parts: parts.map(sent),
      changes: changes.map(sent),
      arranged: arranged.map((part) => part && sent(part)),
      relations: sent(relations),
      raisedParts,
      things,
      pieces,
      isPartial,
    };
    this.there.add(used, isPartial);
    return message;
  }

  private takenApart(thing: Thing): TakenApart {
    const fields: Record<string, unknown> = { ...thing };
    const pieces = Object.keys(fields).filter(
      (name) => fields[name] !== null && typeof fields[name] === 'object',
    );
    for (const name of pieces) fields[name] = this.numberOf(fields[name] as Piece);
    return { fields, pieces };
  }

  private numberOf(thing: object): number {
    return gotOrMade(this.numbers, thing, () => ++this.lastNumber);
  }
}

/** On the interface's side: puts together what came with what is here, the very objects it had. */
export class Receiver {
  private readonly things = new Map<number, Thing>();
  private readonly pieces = new Map<number, Piece>();
  /** The pieces each thing is made of. */
  private readonly madeOf = new Map<number, readonly number[]>();
  private readonly remembered = new Remembered();
  private last: Arrangement | null = null;

  unpack(sent: Sent, song: Song, profile: Profile): Arrangement {
    sent.pieces.forEach((piece, number) => this.pieces.set(number, piece));
    sent.things.forEach((apart, number) => this.putTogether(number, apart));
    const used = new Set<number>();
    const found = <T extends Thing>(number: number): T => {
      const thing = here(this.things, number);
      used.add(number);
      here(this.madeOf, number).forEach((piece) => used.add(piece));
      return thing as T;
    };
    const before = this.last;
    const parts = kept(
      before?.parts,
      sent.parts.map((number) => found<Part>(number)),
    );
    const frame = {
      song,
      profile,
      played: found<PlayedSong>(sent.played),
      parts,
      changes: kept(
        before?.changes,
        sent.changes.map((number) => found<ArrangedChange>(number)),
      ),
      raisedParts: sent.raisedParts,
    };
    const arranged = sent.arranged.map((number) => (number === null ? null : found<PartArrangement>(number)));
    const efforts = before?.parts.flatMap(({ cutId }, i) => {
      const effort = before.efforts[i];
      return effort ? [[cutId, effort] as const] : [];
    });
    const relations = found<HandRelations>(sent.relations);
    const arrangement = assemble(frame, arranged, relations, new Map(efforts));
    this.remembered.add(used, sent.isPartial);
    if (!sent.isPartial)
      for (const known of [this.things, this.pieces, this.madeOf])
        for (const number of known.keys()) if (!this.remembered.has(number)) known.delete(number);
    this.last = arrangement;
    return arrangement;
  }

  private putTogether(number: number, { fields, pieces }: TakenApart): void {
    const thing: Record<string, unknown> = { ...fields };
    for (const name of pieces) thing[name] = here(this.pieces, fields[name] as number);
    this.things.set(number, thing as unknown as Thing);
    this.madeOf.set(
      number,
      pieces.map((name) => fields[name] as number),
    );
  }
}

function here<T>(known: ReadonlyMap<number, T>, number: number): T {
  const thing = known.get(number);
  if (thing === undefined) throw new Error('The worker left out what the interface does not have.');
  return thing;
}

/** The list that was there before when it has the same members. */
function kept<T>(before: readonly T[] | undefined, now: readonly T[]): readonly T[] {
  const isSame = before?.length === now.length && before.every((item, i) => item === now[i]);
  return isSame ? before : now;
}
