import { applyEdit, type Profile, type Song } from '../song';
import { partIndexAt } from '../parts';
import { arrange } from './song';

/** What a fill would make of the effort of its part. */
interface FillEffort {
  readonly id: string;
  readonly variant: string;
  /** Total of the part with it, 0–100. */
  readonly to: number;
}

/** The total of the part with each proposal for a chord taken, arranged and measured; and without any of them. */
export function fillEfforts(
  song: Song,
  profile: Profile,
  changeId: string,
): { readonly without: number; readonly each: readonly FillEffort[] } {
  const now = arrange(song, profile);
  const change = now.changes.find((c) => c.change.id === changeId)?.change;
  if (!change) return { without: 0, each: [] };
  const index = partIndexAt(now.parts, change.tick);
  const own = now.fills.filter((fill) => fill.changeId === changeId);
  const ids = [...new Set(own.map(({ id }) => id))];
  const bare = applyEdit(song, { kind: 'fills', taken: [], declined: ids });
  const totalOf = (of: Song): number => arrange(of, profile).efforts[index]?.total ?? 0;
  const each = own.map(({ id, kind, variant }) => {
    const others = ids.filter((other) => other !== id);
    const taken = applyEdit(song, { kind: 'fills', taken: [{ id, kind, variant }], declined: others });
    return { id, variant, to: totalOf(taken) };
  });
  return { without: totalOf(bare), each };
}
