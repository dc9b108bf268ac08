import { spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, describe, expect, it } from 'vitest';
import { arrange } from '../core/arrange';
import { writeMidi, writeMxl, writeProject } from '../core/formats';
import { DEFAULT_PROFILE } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';
import { main } from './commandLine';

const root = fileURLToPath(new URL('..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'jh-arrange-'));
const IN = join(root, 'demo/files/sluicegate.musicxml');

afterAll(() => rmSync(folder, { recursive: true }));

interface Said {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

function run(...args: string[]): Said {
  const [out, err]: [string[], string[]] = [[], []];
  const code = main(args, { log: (line) => void out.push(line), error: (line) => void err.push(line) });
  return { code, out: out.join('\n'), err: err.join('\n') };
}

/** As a process of its own, as the shell sees it. */
function runAlone(...args: string[]): Said {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'tools/arrange.ts', ...args],
    { cwd: root, encoding: 'utf8', timeout: 120_000 },
  );
  return { code: status, out: stdout.trim(), err: stderr.trim() };
}

describe('npm run arrange, as a process', () => {
  it('exits 0 with what it wrote, 1 with one line on what to put right', () => {
    const good = runAlone(IN, '--out', join(folder, 'alone'));
    expect(good).toMatchObject({ code: 0, err: '' });
    expect(good.out).toMatch(/^Sluicegate Song: 4 parts, /);
    expect(existsSync(join(folder, 'alone/sluicegate.mid'))).toBe(true);
    const bad = runAlone(IN, '--out', join(folder, 'never'), '--rung', '9');
    expect(bad).toEqual({ code: 1, out: '', err: '--level 9: choose one of 1, 2, 3, 4, 5, 6, 7' });
  });
});

describe('npm run arrange', () => {
  it('writes the four files, and the report holds what was asked', () => {
    const out = join(folder, 'good/deep');
    const result = run(
      IN,
      '--out',
      out,
      '--school',
      'three',
      '--rung',
      '4',
      '--reach',
      '7',
      '--keys',
      '61',
      '--parts',
      '2',
    );
    expect(result.err).toBe('');
    expect(readdirSync(out).sort()).toEqual([
      'sluicegate.json',
      'sluicegate.mid',
      'sluicegate.musicxml',
      'sluicegate.txt',
    ]);
    const report = JSON.parse(readFileSync(join(out, 'sluicegate.json'), 'utf8')) as {
      parts: unknown[];
      song: unknown;
      changes: { notes: string[]; layout: string }[];
    };
    expect(report.parts).toHaveLength(8);
    expect(report.song).toMatchObject({
      title: 'Sluicegate Song',
      key: 'G major',
      metre: '4/4',
      tempo: 104,
      bars: 16,
      pickup: 960,
    });
    expect(report.changes.every((c) => c.layout === 'three' && c.notes.length === 3)).toBe(true);
  });

  const inputs: readonly (readonly [string, string | (() => Uint8Array)])[] = [
    ['tide.mid', () => writeMidi(arrange(DEMO_SONGS[1], DEFAULT_PROFILE))],
    ['tide.mxl', () => writeMxl(arrange(DEMO_SONGS[1], DEFAULT_PROFILE))],
    ['net.txt', '| Am | Dm E7 | Am |\nThread the nee-dle\n'],
  ];
  for (const [name, content] of inputs)
    it(`reads ${name} and writes the four files`, () => {
      const file = join(folder, name);
      writeFileSync(file, typeof content === 'string' ? content : content());
      const out = join(folder, `of-${name}`);
      const result = run(file, '--out', out);
      expect(result.err).toBe('');
      expect(readdirSync(out)).toHaveLength(4);
      const report = JSON.parse(readFileSync(join(out, name.replace(/\..*/, '.json')), 'utf8')) as {
        changes: { symbol: string }[];
        left: unknown[];
      };
      expect(report.changes.map((c) => c.symbol)).toContain(name === 'net.txt' ? 'E7' : 'D7');
      expect(report.left.length).toBeGreaterThan(2);
    });

  it('names notes as they are asked for, in what is told; the files stay in English letters', () => {
    const out = join(folder, 'named');
    expect(runAlone(IN, '--out', out, '--names', 'german').code).toBe(0);
    expect(readFileSync(join(out, 'sluicegate.txt'), 'utf8')).toMatch(/\bH3\b/);
    expect(readFileSync(join(out, 'sluicegate.json'), 'utf8')).not.toMatch(/"H\d"/);
    expect(runAlone(IN, '--out', out, '--names', 'french').err).toMatch(/^--names french: choose one of/);
  });

  const refused: readonly (readonly [string, string[], RegExp])[] = [
    ['an unknown option', [IN, '--out', 'x', '--louder'], /^Unknown option '--louder'/],
    ['a missing file', ['nowhere.musicxml', '--out', 'x'], /^nowhere\.musicxml: there is no such file$/],
    ['an unknown voicing style', [IN, '--out', 'x', '--school', 'jazz'], /^--voicing jazz: choose one of/],
    ['an input that is not there', ['a.mid', '--out', 'x'], /^a\.mid: there is no such file/],
    ['an impossible level', [IN, '--out', 'x', '--rung', '9'], /^--level 9: choose one of/],
    ['no folder named', [IN], /^Say where to write/],
    ['a folder that is a file', [IN, '--out', join(root, 'package.json')], /cannot be written there/],
    ['an unwritable folder', [IN, '--out', '/proc/here'], /cannot be written there/],
  ];
  for (const [name, args, line] of refused) {
    it(`answers ${name} in one line, writes nothing and exits 1`, () => {
      const { code, err } = run(...args.map((a) => (a === 'x' ? join(folder, 'never') : a)));
      expect(code).toBe(1);
      expect(err.split('\n')).toHaveLength(1);
      expect(err).toMatch(line);
      expect(existsSync(join(folder, 'never'))).toBe(false);
    });
  }

  it('names file, place and cause of a broken score', () => {
    const path = join(folder, 'broken.musicxml');
    writeFileSync(
      path,
      readFileSync(IN, 'utf8').replace('<duration>960</duration>', '<duration>-5</duration>'),
    );
    const { code, err } = run(path, '--out', join(folder, 'never'));
    expect(code).toBe(1);
    expect(err).toBe(
      `${path}: The duration "-5" is impossible (bar 0). Mend it where the file was made and export it again.`,
    );
  });

  it('gives a bare tune chords, in the taste asked for, and says so', () => {
    const bare = { ...DEMO_SONGS[1], changes: [], pins: [], imported: [] };
    const tune = join(folder, 'bare.joined.json');
    writeFileSync(tune, writeProject({ song: bare, profile: DEFAULT_PROFILE }));
    const chordsOf = (...args: string[]): [out: string, symbols: string[]] => {
      const { out } = run(tune, '--out', join(folder, 'bare'), ...args);
      const report = JSON.parse(readFileSync(join(folder, 'bare/bare.json'), 'utf8')) as {
        changes: { symbol: string }[];
      };
      return [out, report.changes.map(({ symbol }) => symbol)];
    };
    const [said, own] = chordsOf();
    expect(said).toMatch(/^Sluicegate Song: no chords were given, \d+ are suggested; 4 parts, /);
    expect(own.every((symbol) => !/7/.test(symbol) || symbol === 'D7')).toBe(true);
    expect([own[0], own[own.length - 1]]).toEqual(['G', 'G']);
    const [, three] = chordsOf('--chords', 'three');
    expect(new Set(three)).toEqual(new Set(['G', 'C', 'D7']));
    const [silent, none] = chordsOf('--chords', 'none');
    expect([silent.includes('suggested'), none]).toEqual([false, []]);
    // Chords the pianist has worked on in a project are no suggestions any more.
    const worked = {
      ...DEMO_SONGS[1],
      imported: [{ tick: 0, said: { code: 'chordsSuggested', facts: [] } }],
    };
    writeFileSync(tune, writeProject({ song: worked, profile: DEFAULT_PROFILE }));
    expect(chordsOf('--taste', 'three')[1]).toEqual(DEMO_SONGS[1].changes.map(({ symbol }) => symbol));
    expect(run(tune, '--out', folder, '--chords', 'blue').err).toBe(
      '--taste blue: choose one of three, sevenths, colourful, none',
    );
  });

  it('changes the notes by the taste asked for, also where the shelf gave a score its chords', () => {
    const score = join(folder, 'tune-alone.musicxml');
    writeFileSync(score, readFileSync(IN, 'utf8').replace(/<harmony[\s\S]*?<\/harmony>/g, ''));
    const left = (...args: string[]): string => {
      run(score, '--out', join(folder, 'tastes'), ...args);
      const report = JSON.parse(readFileSync(join(folder, 'tastes/tune-alone.json'), 'utf8')) as {
        changes: { symbol: string }[];
        left: { midi: number }[];
      };
      return JSON.stringify([
        report.changes.map(({ symbol }) => symbol),
        report.left.map(({ midi }) => midi),
      ]);
    };
    const tastes = [[], ...['three', 'sevenths', 'colourful', 'none'].map((taste) => ['--taste', taste])];
    expect(new Set(tastes.map((args) => left(...args))).size).toBe(5);
    expect(left('--taste', 'none')).toBe('[[],[]]');
  });

  it('never writes over a file it reads', () => {
    const songs = mkdtempSync(join(folder, 'over-'));
    const charts = ['ferry.txt', 'ferry-2.txt'].map((name) => join(songs, name));
    for (const chart of charts) writeFileSync(chart, '| Am | Dm E7 | Am |\n');
    const { code, out } = run(...charts, '--out', songs);
    expect([code, out.match(/ferry[-\d]*(?=\.musicxml)/g)]).toEqual([0, ['ferry-3', 'ferry-2-2']]);
    expect(charts.map((chart) => readFileSync(chart, 'utf8'))).toEqual(
      Array(2).fill('| Am | Dm E7 | Am |\n'),
    );
    // Nor where another way leads to the same folder.
    symlinkSync(songs, join(folder, 'link'));
    run(charts[0], '--out', join(folder, 'link'));
    expect(readFileSync(charts[0], 'utf8')).toBe('| Am | Dm E7 | Am |\n');
  });

  it('puts an intro and an ending round the song, and reports what each part plays', () => {
    const out = join(folder, 'framed');
    const result = run(IN, '--out', out, '--intro', 'last-chords', '--ending', 'close', '--level', '5');
    expect(result).toMatchObject({ code: 0, err: '' });
    const { parts } = JSON.parse(readFileSync(join(out, 'sluicegate.json'), 'utf8')) as {
      parts: { pattern: string; fromBar: number; toBar: number }[];
    };
    expect(parts.map(({ pattern }) => pattern)).toEqual([
      'open-tenth',
      ...Array<string>(4).fill('rocking'),
      'rocking',
    ]);
    expect([parts[0].toBar, parts[5].fromBar, parts[5].toBar]).toEqual([2, 19, 20]);
    expect(run(IN, '--out', out, '--intro', 'fanfare').err).toMatch(
      /^--intro fanfare: choose one of last-phrase/,
    );
    const bare = join(folder, 'no-chords.joined.json');
    writeFileSync(
      bare,
      writeProject({ song: { ...DEMO_SONGS[1], changes: [], pins: [] }, profile: DEFAULT_PROFILE }),
    );
    expect(run(bare, '--out', out, '--taste', 'none', '--ending', 'close').err).toBe(
      '--ending close: this song has none',
    );
  });

  it('tells what can be asked for, and its version', () => {
    const help = run('--help');
    expect(help.code).toBe(0);
    for (const option of ['--out', '--level', '--taste', '--intro', '--ending', '--sheet', '--version'])
      expect(help.out).toContain(option);
    expect(run('--version')).toEqual({
      code: 0,
      out: expect.stringMatching(/^Joined Hands \d+\.\d+/),
      err: '',
    });
  });

  it('arranges a folder and several files: a line each, a table at the end, a bad one stops none', () => {
    const songs = mkdtempSync(join(folder, 'songs-'));
    const [lanterns, sluicegate] = DEMO_SONGS;
    const project = (song: typeof lanterns) => writeProject({ song, profile: DEFAULT_PROFILE });
    writeFileSync(join(songs, 'a.joined.json'), project(lanterns));
    writeFileSync(join(songs, 'b.mid'), 'not a MIDI file');
    writeFileSync(join(songs, 'c.joined.json'), project(sluicegate));
    writeFileSync(join(songs, 'notes.docx'), 'left alone');
    const out = join(folder, 'many');
    const result = run(songs, join(songs, 'c.joined.json'), '--out', out);
    expect(result.code).toBe(1);
    expect(result.err.split('\n')).toEqual([expect.stringMatching(/b\.mid: /)]);
    const lines = result.out.split('\n');
    expect(lines.slice(0, 3).map((line) => line.split(':')[0])).toEqual([
      'Lanterns at Low Water',
      'Sluicegate Song',
      'Sluicegate Song',
    ]);
    expect(lines.slice(4).map((line) => line.split(/ {2,}/).slice(0, 5))).toEqual([
      ['File', 'Title', 'Key', 'Parts', 'Bars'],
      ['a.joined.json', 'Lanterns at Low Water', 'A minor', '6', '24'],
      ['b.mid', 'failed'],
      ['c.joined.json', 'Sluicegate Song', 'G major', '4', '16'],
      ['c.joined.json', 'Sluicegate Song', 'G major', '4', '16'],
    ]);
    expect(readdirSync(out).filter((name) => name.endsWith('.txt'))).toEqual(['a.txt', 'c-2.txt', 'c.txt']);
    const empty = mkdtempSync(join(folder, 'empty-'));
    expect(run(empty, '--out', out)).toMatchObject({
      code: 1,
      err: expect.stringMatching(/no file to arrange in this folder/),
    });
  });

  it('writes sheets as pages of their own that load nothing, and says which there are', () => {
    const out = join(folder, 'sheets');
    expect(run(IN, '--out', out, '--sheet', 'parts', '--sheet', 'plan').out).toMatch(
      /\.json, sluicegate-parts\.html, sluicegate-plan\.html$/,
    );
    const html = readFileSync(join(out, 'sluicegate-parts.html'), 'utf8');
    expect(html.match(/class="page"/g)?.length).toBeGreaterThan(1);
    expect(html).toContain('Part 1 A, Verse · bars 1–4');
    expect(html).toContain('@page { size: 210mm 297mm; margin: 0; }');
    expect(html.replaceAll('http://www.w3.org/2000/svg', '')).not.toMatch(/(src|href)="|https?:\/\//);
    expect(html.match(/src: url\('data:font\/woff2;base64,.{1000,}'\)/g)).toHaveLength(10);
    expect(run(IN, '--out', out, '--sheet', 'rolls').err).toBe(
      '--sheet rolls: choose one of title, legend, parts, staves, lead, score, words, meetings, singing, plan',
    );
  });

  it('writes staves as an engraver draws them, and loads nothing for them', () => {
    const out = join(folder, 'staves');
    const said = runAlone(IN, '--out', out, '--sheet', 'score', '--sheet', 'lead', '--sheet', 'staves');
    expect(said).toMatchObject({ code: 0, err: '' });
    for (const sheet of ['score', 'lead', 'staves']) {
      const html = readFileSync(join(out, `sluicegate-${sheet}.html`), 'utf8');
      expect(html.match(/class="measure"/g)?.length).toBeGreaterThanOrEqual(17);
      expect(html.replaceAll(/http:\/\/www.w3.org\/(2000\/svg|1999\/xlink)/g, '')).not.toMatch(
        /src="|href="[^#]|https?:\/\//,
      );
    }
  });
});
