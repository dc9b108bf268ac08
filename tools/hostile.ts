// Files made to hurt a reader: names objects have of their own, deep nesting, megabytes of one sign, numbers without end.
import { strToU8, zipSync } from 'fflate';
import { writeProject } from '../core/formats';
import { DEFAULT_PROFILE } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';
import type { NamedBytes } from './damage';

const MEGABYTE = 1_000_000;
const score = (inside: string): string =>
  `<?xml version="1.0"?><score-partwise><part-list><score-part id="P1"><part-name>x</part-name></score-part></part-list><part id="P1">${inside}</part></score-partwise>`;
const bar = (inside: string): string => score(`<measure number="1">${inside}</measure>`);
const note = (step: string, duration: string): string =>
  `<attributes><divisions>1</divisions></attributes><note><pitch><step>${step}</step><octave>4</octave></pitch><duration>${duration}</duration></note>`;
const project = JSON.stringify({
  song: JSON.parse(writeProject({ song: DEMO_SONGS[0], profile: DEFAULT_PROFILE })).song as object,
});
const withSong = (change: object): string =>
  JSON.stringify({
    format: 'joined-hands-project',
    song: { ...(JSON.parse(project) as { song: object }).song, ...change },
    profile: DEFAULT_PROFILE,
  });

/** Bars of one part, bar by bar. */
const timewise = (count: number): string =>
  `<score-timewise><part-list><score-part id="P1"><part-name>x</part-name></score-part></part-list>${`<measure number="1"><part id="P1">${note('C', '4')}</part></measure>`.repeat(count)}</score-timewise>`;

/** A MIDI file of so many keys that go down and never up. */
function neverLetGo(count: number): Uint8Array {
  const events = Array.from({ length: count }, (_, i) => [0x10, 0x90, 30 + (i % 60), 80]).flat();
  const track = [...events, 0, 0xff, 0x2f, 0];
  const length = [24, 16, 8, 0].map((by) => (track.length >>> by) & 255);
  return Uint8Array.from([
    77,
    84,
    104,
    100,
    0,
    0,
    0,
    6,
    0,
    0,
    0,
    1,
    0,
    96,
    77,
    84,
    114,
    107,
    ...length,
    ...track,
  ]);
}

export function hostileFiles(): NamedBytes[] {
  const text = (name: string, content: string): NamedBytes => ({ name, bytes: strToU8(content) });
  const deep = (open: string, close: string, times: number): string =>
    open.repeat(times) + close.repeat(times);
  return [
    text('a.txt', '['.repeat(MEGABYTE)),
    text('a.txt', ']'.repeat(MEGABYTE)),
    text('a.txt', '{'.repeat(MEGABYTE)),
    text('a.txt', ' '.repeat(MEGABYTE)),
    text('a.txt', '\n'.repeat(MEGABYTE)),
    text('a.txt', '|'.repeat(MEGABYTE)),
    text('a.txt', '[C]'.repeat(MEGABYTE / 3)),
    text('a.txt', `${' '.repeat(MEGABYTE)}[C]la`),
    text('a.txt', `[${'C'.repeat(MEGABYTE)}]`),
    text('a.txt', '{key: __proto__}\n[constructor]la [toString]la [C]la'),
    text('a.musicxml', ' '.repeat(MEGABYTE) + bar(note('C', '4'))),
    text('a.musicxml', ' '.repeat(MEGABYTE)),
    text('a.musicxml', '<'.repeat(MEGABYTE)),
    text('a.musicxml', '<!--'.repeat(MEGABYTE / 4)),
    text('a.musicxml', '<![CDATA['.repeat(MEGABYTE / 9)),
    text('a.musicxml', '<a '.repeat(MEGABYTE / 3)),
    text('a.musicxml', `<a ${'b="c" '.repeat(MEGABYTE / 6)}/>`),
    text('a.musicxml', deep('<a>', '</a>', 10_000)),
    text('a.musicxml', score(deep('<measure>', '</measure>', 10_000))),
    text(
      'a.musicxml',
      '<?xml version="1.0"?><!DOCTYPE a [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;"><!ENTITY c "&b;&b;&b;&b;&b;&b;&b;&b;"><!ENTITY d "&c;&c;&c;&c;&c;&c;&c;&c;">]><score-partwise>&d;&d;&d;</score-partwise>',
    ),
    text('a.musicxml', score('<__proto__>1</__proto__><constructor/><toString>x</toString>')),
    text('a.musicxml', bar(`${note('C', '1')}<__proto__><polluted>1</polluted></__proto__>`)),
    ...['__proto__', 'constructor', 'toString', 'valueOf'].map((step) =>
      text('a.musicxml', bar(note(step, '1'))),
    ),
    ...['1e308', '-1', '0', 'NaN', '99999999999999', '0.000001', '1e-300', 'Infinity'].map((duration) =>
      text('a.musicxml', bar(note('C', duration))),
    ),
    ...['0', '-4', '1e308', '0.1', '1e-9', '99999999999'].map((divisions) =>
      text(
        'a.musicxml',
        bar(
          `<attributes><divisions>${divisions}</divisions></attributes>${note('C', '4').replace(/<attributes>.*<\/attributes>/, '')}`,
        ),
      ),
    ),
    ...['0', '-3', '1e9', '1000'].map((beats) =>
      text(
        'a.musicxml',
        bar(
          `<attributes><divisions>1</divisions><time><beats>${beats}</beats><beat-type>4</beat-type></time></attributes>${note('C', '4')}`,
        ),
      ),
    ),
    ...['0', '-100', '1e300', 'fast', '0.0001'].map((tempo) =>
      text('a.musicxml', bar(`<sound tempo="${tempo}"/>${note('C', '4')}`)),
    ),
    text('a.musicxml', score(`<measure number="1">${note('C', '4')}</measure>`.repeat(5000))),
    text(
      'a.musicxml',
      bar(
        note('C', '4') +
          '<backup><duration>4</duration></backup><note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note>'.repeat(
            3000,
          ),
      ),
    ),
    text('a.joined.json', deep('[', ']', 10_000)),
    text('a.joined.json', deep('{"a":', '}', 10_000).replace('}', '1}')),
    text(
      'a.joined.json',
      '{"format":"joined-hands-project","song":' + deep('{"a":', '}', 10_000).replace('}', '1}') + '}',
    ),
    text('a.joined.json', '{"__proto__":{"format":"joined-hands-project"}}'),
    text('a.joined.json', withSong({ melody: [null] })),
    text('a.joined.json', withSong({ changes: [null] })),
    text(
      'a.joined.json',
      withSong({
        changes: [{ id: 'c', tick: -5, length: 3, symbol: { toString: 1 }, given: true, layout: null }],
      }),
    ),
    text('a.joined.json', withSong({ schemaVersion: 0, changes: [{ symbol: {}, tick: -1, length: -1 }] })),
    text('a.joined.json', withSong({ schemaVersion: 2, sections: [null, 7], settled: [null] })),
    text('a.joined.json', withSong({ schemaVersion: -1 })),
    text('a.joined.json', withSong({ schemaVersion: 1.5 })),
    text(
      'a.joined.json',
      withSong({ schemaVersion: 4, partSettings: null, settled: [{ cutId: '__proto__' }] }),
    ),
    text('a.joined.json', withSong({ playingOrder: [{ fromBar: 9, toBar: 2 }] })),
    text(
      'a.joined.json',
      withSong({ playingOrder: Array.from({ length: 5000 }, () => ({ fromBar: 1, toBar: 24 })) }),
    ),
    text('a.joined.json', withSong({ playingOrder: [{ fromBar: 100, toBar: 200 }] })),
    text(
      'a.joined.json',
      withSong({ barCount: 4000, metreMap: [{ tick: 0, numerator: 64, denominator: 1 }] }),
    ),
    text('a.joined.json', withSong({ tempoMap: [{ tick: 50, quartersPerMinute: 100 }] })),
    text('a.joined.json', withSong({ pickup: 5000 })),
    text('a.joined.json', withSong({ title: 'x'.repeat(10_000) })),
    text(
      'a.joined.json',
      withSong({ partSettings: { constructor: { name: null, sameAs: null, choices: {} } } }),
    ),
    {
      name: 'a.mxl',
      bytes: zipSync({
        __proto__: strToU8('x'),
        'META-INF/container.xml': strToU8(
          '<container><rootfiles><rootfile full-path="constructor"/></rootfiles></container>',
        ),
      }),
    },
    {
      name: 'a.mxl',
      bytes: zipSync({
        'META-INF/container.xml': strToU8('<container/>'),
        toString: strToU8(bar(note('C', '4'))),
      }),
    },
    { name: 'a.mxl', bytes: zipSync({ 'a.xml': new Uint8Array(60 * MEGABYTE) }) },
    { name: 'a.mid', bytes: Uint8Array.from([0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0xff, 0xff, 0, 96]) },
    {
      name: 'a.mid',
      bytes: Uint8Array.from([
        0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0, 1, 0, 0, 0x4d, 0x54, 0x72, 0x6b, 0xff, 0xff, 0xff, 0xff,
      ]),
    },
    text('a.txt', `{${' '.repeat(3000)}\n[C]la`),
    text('a.txt', `| C ${'/'.repeat(20_000)} |`),
    text('a.txt', `| ${'C/'.repeat(20_000)} |`),
    text('a.txt', `{title: ${'👩‍👧'.repeat(60)}}\n[C]la`),
    text('a.txt', '{title: \ud83d}\n[C]la'),
    text('a.txt', '{title:}\n[C]la'),
    text('a.txt', 'Key: G#\n| C | G |'),
    text('a.musicxml', timewise(60_000)),
    { name: 'a.mid', bytes: neverLetGo(8000) },
    text('a.joined.json', withSong({ pickup: 1_000_000 })),
    ...[9, -1].map((octave) =>
      text(
        'a.joined.json',
        withSong({
          melody: [
            { ...DEMO_SONGS[0].melody[0], pitch: { letter: 'B', alter: octave < 0 ? -2 : 0, octave } },
          ],
        }),
      ),
    ),
    text('a.joined.json', withSong({ title: `a${'\ud83d\ude00'.repeat(120)}`.slice(0, 200) })),
    text('a.joined.json', withSong({ id: 'x'.repeat(64), title: 'y'.repeat(200) })),
  ];
}
