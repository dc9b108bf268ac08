import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser';
import { FileError } from './fileError';

/** One element with its children in document order. */
export interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Element[];
  readonly text: string;
}

const ATTRIBUTES = ':@';
const TEXT = '#text';
type Raw = Record<string, unknown>;

const OPTIONS = { preserveOrder: true, ignoreAttributes: false, attributeNamePrefix: '', textNodeName: TEXT };

/** Parses XML into its root element. Throws {@link FileError} with the line of the first fault. */
export function parseXml(text: string): Element {
  if (text.trim() === '') throw new FileError('The file is empty', '', 'Choose another file.');
  // A byte order mark is white space here.
  if (!text.trimStart().startsWith('<'))
    throw new FileError('This is not XML', 'line 1', 'Choose a MusicXML file (.musicxml or .xml).');
  if (/<!ENTITY/i.test(text))
    throw new FileError(
      'The file declares entities of its own, which a score never needs and a harmful file may',
      `line ${text.slice(0, text.search(/<!ENTITY/i)).split('\n').length}`,
      'Export the file again from where it was made.',
    );
  const verdict = XMLValidator.validate(text, { allowBooleanAttributes: true });
  if (verdict !== true) {
    const { line } = verdict.err;
    throw new FileError(
      'The XML breaks off or is damaged',
      `line ${line}`,
      'Export the file again from where it was made.',
    );
  }
  const parser = new XMLParser({
    ...OPTIONS,
    parseTagValue: false,
    parseAttributeValue: false,
    trimValues: true,
    // "Caf&#233;": characters by number.
    htmlEntities: true,
  });
  const tree = parsed(parser, text);
  const root = tree.map(toElement).find((element) => element && !element.name.startsWith('?'));
  if (!root) throw new FileError('The file has no content', '', 'Choose another file.');
  return root;
}

/** What the parser refuses (names objects have of their own, nesting without end) is refused in a sentence. */
function parsed(parser: XMLParser, text: string): Raw[] {
  try {
    return parser.parse(text) as Raw[];
  } catch {
    throw new FileError(
      'The XML is not that of a score',
      '',
      'Export the file again from where it was made.',
    );
  }
}

function toElement(raw: Raw): Element | null {
  const name = Object.keys(raw).find((key) => key !== ATTRIBUTES);
  if (name === undefined || name === TEXT) return null;
  const content = Array.isArray(raw[name]) ? (raw[name] as Raw[]) : [];
  const text = content.map((child) => (TEXT in child ? String(child[TEXT]) : '')).join('');
  const children = content.map(toElement).filter((child): child is Element => child !== null);
  return { name, attributes: (raw[ATTRIBUTES] as Record<string, string>) ?? {}, children, text };
}

/** The first child of a name. */
export function child(element: Element | undefined, name: string): Element | undefined {
  return element?.children.find((c) => c.name === name);
}

/** Every child of a name. */
export function childrenOf(element: Element, name: string): Element[] {
  return element.children.filter((c) => c.name === name);
}

/** Text of the first child of a name, or undefined. */
export function childText(element: Element | undefined, name: string): string | undefined {
  return child(element, name)?.text;
}

/** An element to be written. */
export function el(
  name: string,
  content: string | number | readonly (Element | null)[] = [],
  attributes: Record<string, string> = {},
): Element {
  const isText = typeof content === 'string' || typeof content === 'number';
  return {
    name,
    attributes,
    children: isText ? [] : content.filter((c): c is Element => c !== null),
    text: isText ? String(content) : '',
  };
}

/** The document as text, with the declaration and document type given. */
export function writeXml(root: Element, doctype: string): string {
  const builder = new XMLBuilder({ ...OPTIONS, format: true, indentBy: ' ', suppressEmptyNode: true });
  const body = String(builder.build([toRaw(root)])).replace(/^\s+/, '');
  return `<?xml version="1.0" encoding="UTF-8"?>\n${doctype}\n${body}`;
}

function toRaw(element: Element): Raw {
  const content = element.text !== '' ? [{ [TEXT]: element.text }] : element.children.map(toRaw);
  const hasAttributes = Object.keys(element.attributes).length > 0;
  return { [element.name]: content, ...(hasAttributes ? { [ATTRIBUTES]: element.attributes } : {}) };
}
