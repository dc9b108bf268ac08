import { gotOrMade } from '../music';
import { offers, says } from '../sentences';
import { barAt, type Finding, type PlayedBar, type SongEdit } from '../song';

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
  const all = group.map(({ fixes }) => fixes?.[0]?.edit).filter((edit) => edit !== undefined);
  const different = [...new Map(all.map((edit) => [JSON.stringify(edit), edit])).values()];
  const inAll = different.length > 1 && all.length === group.length ? [everywhere(first, different)] : [];
  return {
    ...first,
    text: `${first.text} ${says.alsoIn(numbers)}`,
    remedies: [...inAll.map(({ label }) => label), ...first.remedies],
    fixes: [...inAll, ...(first.fixes ?? [])],
  };
}

function everywhere({ fixes = [] }: Finding, edits: readonly SongEdit[]): { label: string; edit: SongEdit } {
  const label = offers.inAll(edits.length, fixes[0].label);
  return { label, edit: { kind: 'together', what: label, edits } };
}
