import type { PartFills, WaitingFill } from '../fills';
import { lazily } from '../memory';
import { offers, says } from '../sentences';
import type { Finding } from '../song';

/** A fill that was taken and waits for its place, said where its chord is. */
export function waitingFinding({ id, tick, kind, why }: WaitingFill): Finding {
  return {
    kind: 'fill',
    tick,
    says: [says.fillWaits(kind, why)],
    sameAs: id,
    remedies: [{ offer: offers.leaveFillOut(), edit: { kind: 'fill-left', id } }],
  };
}

/** The fills of a settled part: those that were stored with it are played, by its stored keys. */
export function asStored(proposed: PartFills, kept: readonly string[]): PartFills {
  const fills = lazily(() => {
    const told = new Set<string>();
    // How it is played was stored as keys: of several ways the first stands for it.
    return proposed.fills().map((fill) => {
      const taken = kept.includes(fill.id) && !told.has(fill.id);
      told.add(fill.id);
      return { ...fill, taken };
    });
  });
  return { ...proposed, playing: [], waiting: [], fills };
}
