// Files damaged by seed, in bytes and in structure: what npm run break and the tests try the readers with.
import { strFromU8, strToU8 } from 'fflate';
import { arrange } from '../core/arrange';
import { writeMidi, writeMusicXml, writeMxl, writeProject } from '../core/formats';
import { seeded } from '../core/chance';
import { DEFAULT_PROFILE, type Song } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';

export interface NamedBytes {
  readonly name: string;
  readonly bytes: Uint8Array;
}

const CHART = `{title: Tide Table}
{key: G}
[Verse]
[G]Down by the [C]river the [Am7]lamps are [D7]lit
[G]Down by the [C]water [D]where we [G]sit
| G | C D | Em7 / D/F# | G |
`;

/** A whole file of every kind that is read. */
export function wholeFiles(): NamedBytes[] {
  return DEMO_SONGS.slice(0, 5).flatMap((song: Song, i): NamedBytes[] => {
    const level = [4, 5, 7, 2, 1][i];
    const arrangement = arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE);
    return [
      { name: 'x.musicxml', bytes: strToU8(writeMusicXml(arrangement)) },
      { name: 'x.mid', bytes: writeMidi(arrangement) },
      { name: 'x.mxl', bytes: writeMxl(arrangement) },
      { name: 'x.joined.json', bytes: strToU8(writeProject({ song, profile: DEFAULT_PROFILE })) },
      { name: 'x.txt', bytes: strToU8(CHART.repeat(i + 1)) },
    ];
  });
}

/** Values at the limits and past them, and names that objects have of their own. */
const VALUES: readonly unknown[] = [
  null,
  -1,
  0,
  0.5,
  1e308,
  2 ** 53,
  -(2 ** 31),
  99_999_999,
  '',
  'x',
  '__proto__',
  'constructor',
  'toString',
  '\u0000\uFFFF',
  [],
  {},
  true,
  [null],
  'b'.repeat(5000),
];
const WORDS = [
  '-7',
  '0',
  '99999999999',
  'x',
  '',
  '1e9',
  'NaN',
  '1e-9',
  '-1',
  '__proto__',
  '𝄞',
  '4000000000',
  '0.3333',
];

type Chance = (below: number) => number;

/** One file damaged in one of the ways its kind can be. */
export function damaged({ name, bytes }: NamedBytes, seed: number): NamedBytes {
  const random = seeded(seed);
  const chance: Chance = (below) => Math.floor(random() * below);
  const inStructure = chance(3) > 0;
  if (inStructure && name.endsWith('.json')) return { name, bytes: jsonDamaged(bytes, chance) };
  if (inStructure && name.endsWith('.musicxml')) return { name, bytes: xmlDamaged(bytes, chance) };
  if (inStructure && name.endsWith('.txt')) return { name, bytes: textDamaged(bytes, chance) };
  return { name, bytes: bytesDamaged(bytes, chance) };
}

function bytesDamaged(bytes: Uint8Array, chance: Chance): Uint8Array {
  const [from, to] = [chance(bytes.length), chance(bytes.length)].sort((x, y) => x - y);
  const copy = bytes.slice();
  switch (chance(5)) {
    case 0:
      for (let i = 0; i <= chance(8); i++) copy[chance(bytes.length)] = chance(256);
      return copy;
    case 1:
      return bytes.slice(0, to);
    case 2:
      return Uint8Array.from([...bytes.slice(0, from), ...bytes.slice(Math.min(to, from + 400))]);
    case 3:
      return Uint8Array.from([...bytes.slice(0, to), ...bytes.slice(Math.max(from, to - 600))]);
    default:
      copy.set(bytes.slice(from, Math.min(to, from + 64)), chance(Math.max(1, bytes.length - 64)));
      return copy;
  }
}

/** A value somewhere in the tree replaced, taken out, doubled, or under another name. */
function jsonDamaged(bytes: Uint8Array, chance: Chance): Uint8Array {
  const tree: unknown = JSON.parse(strFromU8(bytes));
  for (let times = 0; times <= chance(3); times++) {
    let node = tree as Record<string, unknown>;
    for (let depth = 0; depth < 2 + chance(6); depth++) {
      const inside = Object.keys(node).filter((key) => typeof node[key] === 'object' && node[key] !== null);
      if (inside.length === 0) break;
      node = node[inside[chance(inside.length)]] as Record<string, unknown>;
    }
    const keys = Object.keys(node);
    const key = keys[chance(keys.length)] ?? 'x';
    switch (chance(5)) {
      case 0:
        Reflect.deleteProperty(node, key);
        break;
      case 1:
        if (Array.isArray(node)) node.push(node[chance(node.length)]);
        else node[['constructor', 'toString', 'hasOwnProperty'][chance(3)]] = node[key];
        break;
      case 2:
        node[key] = typeof node[key] === 'number' ? node[key] * [-1, 1000, 0.1][chance(3)] : null;
        break;
      default:
        // A value of its own: what is damaged next must not damage the list.
        node[key] = JSON.parse(JSON.stringify(VALUES[chance(VALUES.length)]));
    }
  }
  return strToU8(JSON.stringify(tree));
}

function xmlDamaged(bytes: Uint8Array, chance: Chance): Uint8Array {
  let text = strFromU8(bytes);
  for (let times = 0; times <= chance(3); times++) {
    const tags = [...text.matchAll(/<([a-z-]+)[^>/]*>([^<]*)<\/\1>/g)];
    const tag = tags[chance(tags.length)];
    if (!tag) break;
    const [whole, name] = tag;
    const put = [
      '',
      whole + whole,
      `<${name}>${WORDS[chance(WORDS.length)]}</${name}>`,
      `<${name}>${WORDS[chance(WORDS.length)]}</${name}>`,
      `<${name}>${WORDS[chance(WORDS.length)]}</${name}>`,
      `<__proto__>${tag[2]}</__proto__>`,
      `<${name}/>`,
      `<${name}>${'<a>'.repeat(200)}${'</a>'.repeat(200)}</${name}>`,
    ][chance(8)];
    text = text.slice(0, tag.index) + put + text.slice(tag.index + whole.length);
  }
  return strToU8(text);
}

function textDamaged(bytes: Uint8Array, chance: Chance): Uint8Array {
  const text = strFromU8(bytes);
  const at = chance(text.length);
  const put = [
    '[',
    ']',
    '{',
    '}',
    '|',
    '[[[[',
    '{key:',
    '[H7]',
    '\u0000',
    '[C]'.repeat(500),
    '\t'.repeat(300),
    '%',
    '😀',
  ];
  return strToU8(text.slice(0, at) + put[chance(put.length)] + text.slice(at + chance(3)));
}
