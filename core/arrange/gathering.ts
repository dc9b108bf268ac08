import { gotOrMade } from '../memory';
import { inWords, offers, says } from '../sentences';
import { barAt, type Finding, type PlayedBar, type Remedy, type SongEdit } from '../song';

/**
 * The findings of a part, in time, those that say the same of several places told once, at the first, with the others'
 * bars and with its first remedy for all of them.
 */
export function gathered(findings: readonly Finding[], bars: readonly PlayedBar[]): Finding[] {
  const groups = new Map<unknown, Finding[]>();
  for (const finding of [...findings].sort((a, b) => a.tick - b.tick)) {
    const { kind, sameAs } = finding;
    gotOrMade(groups, sameAs === undefined ? finding : `${kind}:${sameAs}`, (): Finding[] => []).push(
      finding,
    );
  }
  return [...groups.values()].map((group) => (group.length === 1 ? group[0] : asOne(group, bars)));
}

function asOne(group: readonly Finding[], bars: readonly PlayedBar[]): Finding {
  const [first, ...others] = group;
  const numbers = [...new Set(others.map(({ tick }) => barAt(bars, tick).number))];
  const all = group.flatMap(({ remedies: [best] }) => (best ? [best.edit] : []));
  const different = [...new Map(all.map((edit) => [JSON.stringify(edit), edit])).values()];
  const inAll = different.length > 1 && all.length === group.length ? [everywhere(first, different)] : [];
  return {
    ...first,
    says: [...first.says, says.alsoIn(numbers)],
    remedies: [...inAll, ...first.remedies],
  };
}

function everywhere({ remedies: [best] }: Finding, edits: readonly SongEdit[]): Remedy {
  const offer = offers.inAll(edits.length, best.offer);
  return { offer, edit: { kind: 'together', what: inWords(offer), edits } };
}
