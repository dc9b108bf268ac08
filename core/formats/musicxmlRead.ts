import { gotOrMade } from '../memory';
import { candidatesOf, type TuneCandidate } from './candidates';
import { FileError, refuseTooLarge } from './fileError';
import { MOST_READ_BARS } from './limits';
import { metreOfBars } from './musicxmlBars';
import { PartReader } from './musicxmlPart';
import type { ReadPart } from './score';
import { cutTo, type Song } from '../song';
import { child, childrenOf, childText, type Element, parseXml } from './xmlTree';

/** Every line of a MusicXML score (part-wise or time-wise) that could be the melody. Throws {@link FileError}. */
export function readMusicXmlTunes(text: string, songId: string, fallbackTitle: string): TuneCandidate[] {
  refuseTooLarge(text.length);
  // Told by its tags, before all of it is read.
  refuseTooManyBars(tagsOf(text, 'measure') / Math.max(1, tagsOf(text, 'score-part')));
  const root = parseXml(text);
  if (root.name !== 'score-partwise' && root.name !== 'score-timewise') {
    throw new FileError(
      `This is XML but not MusicXML: its root is <${root.name}>`,
      'line 1',
      'Choose a MusicXML file.',
    );
  }
  const measuresByPart = root.name === 'score-partwise' ? partsOf(root) : partsOfTimewise(root);
  const most = Math.max(0, ...[...measuresByPart.values()].map((measures) => measures.length));
  if (most === 0)
    throw new FileError('The score has no bars', '', 'Choose a score with a melody or chord symbols.');
  refuseTooManyBars(most);
  const names = partNames(root);
  const parts = [...measuresByPart].map(([id, measures]) => readPart(names.get(id) ?? '', measures));
  const score = { title: titleOf(root) ?? null, credits: creditsOf(root), parts: agreeing(parts) };
  return candidatesOf(score, songId, fallbackTitle);
}

function refuseTooManyBars(count: number): void {
  if (count > MOST_READ_BARS)
    throw new FileError(
      `The score has ${Math.ceil(count)} bars; at most ${MOST_READ_BARS} are read`,
      '',
      'Split it.',
    );
}

/** How often an element of a name begins in a text. */
function tagsOf(text: string, name: string): number {
  let count = 0;
  for (let at = text.indexOf(`<${name}`); at >= 0; at = text.indexOf(`<${name}`, at + 1))
    if (/[\s/>]/.test(text.charAt(at + name.length + 1))) count++;
  return count;
}

function readPart(name: string, measures: readonly Element[]): ReadPart {
  const reader = new PartReader(name, metreOfBars(measures));
  measures.forEach((measure, index) => reader.read(measure, index, measures[index + 1] ?? null));
  return reader.toPart();
}

/** Tempo and repeats are often written in the first part only: the others take them over. */
function agreeing(parts: readonly ReadPart[]): ReadPart[] {
  const tempoMap = parts.find((p) => p.tempoMap.length > 1)?.tempoMap ?? parts[0].tempoMap;
  const signed = parts.find((p) => p.signs.some((s) => s.repeatEnds || s.daCapo || s.dalSegno));
  const sections = parts.find((p) => p.sections.length > 0)?.sections ?? [];
  return parts.map((part) => ({
    ...part,
    tempoMap,
    signs: signed && signed.signs.length === part.signs.length ? signed.signs : part.signs,
    sections: part.sections.length > 0 ? part.sections : sections,
  }));
}

function titleOf(root: Element): string | undefined {
  const title = childText(child(root, 'work'), 'work-title') ?? childText(root, 'movement-title');
  return title?.trim() || undefined;
}

/** Who wrote words and music; one who wrote both is often told as the composer alone. */
function creditsOf(root: Element): Song['credits'] {
  const identification = child(root, 'identification');
  const creators = identification ? childrenOf(identification, 'creator') : [];
  const by = (...types: readonly string[]): string =>
    cutTo(
      creators
        .filter(({ attributes }) => types.includes(attributes['type'] ?? ''))
        .map(({ text }) => text.trim())
        .filter(Boolean)
        .join(', '),
      120,
    );
  return { words: by('lyricist', 'poet'), music: by('composer') };
}

function partNames(root: Element): Map<string, string> {
  const list = child(root, 'part-list');
  const parts = list ? childrenOf(list, 'score-part') : [];
  return new Map(
    parts.map((p) => [p.attributes['id'] ?? '', (childText(p, 'part-name') ?? '').trim().slice(0, 60)]),
  );
}

function partsOf(root: Element): Map<string, readonly Element[]> {
  const parts = childrenOf(root, 'part');
  return new Map(
    parts.map((part, i) => [part.attributes['id'] ?? `part ${i + 1}`, childrenOf(part, 'measure')]),
  );
}

/** A time-wise score holds the parts of each bar; sorted by part it is the same as a part-wise one. */
function partsOfTimewise(root: Element): Map<string, Element[]> {
  const parts = new Map<string, Element[]>();
  for (const measure of childrenOf(root, 'measure')) {
    for (const part of childrenOf(measure, 'part')) {
      const id = part.attributes['id'] ?? 'part 1';
      const bar = { ...measure, children: part.children };
      gotOrMade(parts, id, (): Element[] => []).push(bar);
    }
  }
  return parts;
}
