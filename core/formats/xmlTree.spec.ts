import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FileError } from './fileError';
import { child, childrenOf, childText, el, type Element, parseXml, writeXml } from './xmlTree';

const names = fc.constantFrom('note', 'pitch', 'step', 'lyric', 'bar-style');
const words = fc
  .string({ minLength: 1, maxLength: 12, unit: fc.constantFrom(...'abÄé♭&#;x<>"\'5 -') })
  .map((s) => s.trim() || 'x');
const { tree } = fc.letrec<{ tree: Element }>((tie) => ({
  tree: fc.oneof(
    { depthSize: 'small' },
    fc.tuple(names, words).map(([name, text]) => el(name, text)),
    fc
      .tuple(names, fc.array(tie('tree'), { minLength: 1, maxLength: 3 }), fc.option(words))
      .map(([name, children, id]) => el(name, children, id === null ? {} : { id })),
  ),
}));

describe('the XML tree', () => {
  it('is read as it was written, text, attributes and order', () => {
    fc.assert(
      fc.property(tree, (element) => {
        expect(parseXml(writeXml(el('root', [element]), ''))).toEqual(el('root', [element]));
      }),
    );
  });

  it('reads characters by number, once: in titles, words and names', () => {
    const root = parseXml('<r a="Caf&#233;"><t>Caf&#xE9; &#x266D; &amp;#233; &lt;&amp;&gt;</t></r>');
    expect([root.attributes['a'], childText(root, 't')]).toEqual(['Café', 'Café ♭ &#233; <&>']);
  });

  it('finds children by name in document order', () => {
    const root = parseXml('<r><a>1</a><b/><a>2</a></r>');
    expect(childrenOf(root, 'a').map((a) => a.text)).toEqual(['1', '2']);
    expect(childText(root, 'a')).toBe('1');
    expect(child(root, 'c')).toBeUndefined();
    expect(childText(undefined, 'a')).toBeUndefined();
  });

  it('passes over declaration, document type and comments', () => {
    expect(parseXml('<?xml version="1.0"?><!DOCTYPE r><!-- hello --><r/>').name).toBe('r');
  });

  it('names the line of the first fault', () => {
    for (const [text, place] of [
      ['<r>\n<a>\n</r>', 'line'],
      ['<r', 'line 1'],
      ['plain', 'line 1'],
    ]) {
      try {
        parseXml(text);
        expect.unreachable();
      } catch (error) {
        expect(error).toBeInstanceOf(FileError);
        expect((error as FileError).place).toContain(place);
        expect((error as FileError).remedy).not.toBe('');
      }
    }
  });
});
