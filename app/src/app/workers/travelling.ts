import {
  type ArrangedChange,
  type Arrangement,
  type PartArrangement,
  assemble,
} from '@joined-hands/core/arrangement';
import type { HandRelations } from '@joined-hands/core/joining';
import { gotOrMade } from '@joined-hands/core/memory';
import type { Part } from '@joined-hands/core/parts';
import type { Shape } from '@joined-hands/core/shaping';
import type { PlayedSong, Profile, Song } from '@joined-hands/core/song';

/** What of an arrangement has an identity of its own: it is sent once, and known by its number from then on. */
type Entity = PlayedSong | Part | ArrangedChange | PartArrangement | HandRelations | Shape;

/** An arrangement by the numbers of its entities, with those the interface does not have. */
export interface Sent {
  readonly played: number;
  readonly parts: readonly number[];
  readonly changes: readonly number[];
  /** Null for parts that are still to come. */
  readonly arranged: readonly (number | null)[];
  readonly relations: number;
  readonly raisedParts: readonly number[];
  readonly shape: number;
  readonly entities: ReadonlyMap<number, Entity>;
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
  private readonly numbers = new WeakMap<Entity, number>();
  private lastNumber = 0;
  private readonly there = new Remembered();

  pack(arrangement: Arrangement): Sent {
    const entities = new Map<number, Entity>();
    const used = new Set<number>();
    const sent = (entity: Entity): number => {
      const number = gotOrMade(this.numbers, entity, () => ++this.lastNumber);
      if (!this.there.has(number)) entities.set(number, entity);
      used.add(number);
      return number;
    };
    const { played, parts, changes, arranged, relations, raisedParts, shape, isPartial } = arrangement;
    const message = {
      played: sent(played),
      parts: parts.map(sent),
      changes: changes.map(sent),
      arranged: arranged.map((part) => part && sent(part)),
      relations: sent(relations),
      raisedParts,
      shape: sent(shape),
      entities,
      isPartial,
    };
    this.there.add(used, isPartial);
    return message;
  }
}

/** On the interface's side: puts together what came with what is here, the very objects it had. */
export class Receiver {
  private readonly entities = new Map<number, Entity>();
  private readonly remembered = new Remembered();
  private last: Arrangement | null = null;

  unpack(sent: Sent, song: Song, profile: Profile): Arrangement {
    sent.entities.forEach((entity, number) => this.entities.set(number, entity));
    const used = new Set<number>();
    const found = <T extends Entity>(number: number): T => {
      const entity = this.entities.get(number);
      if (!entity) throw new Error('The worker left out what the interface does not have.');
      used.add(number);
      return entity as T;
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
      shape: found<Shape>(sent.shape),
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
      for (const number of this.entities.keys())
        if (!this.remembered.has(number)) this.entities.delete(number);
    this.last = arrangement;
    return arrangement;
  }
}

/** The list that was there before when it has the same members. */
function kept<T>(before: readonly T[] | undefined, now: readonly T[]): readonly T[] {
  const isSame = before?.length === now.length && before.every((item, i) => item === now[i]);
  return isSame ? before : now;
}
