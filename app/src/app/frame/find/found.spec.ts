import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { BENCHES } from '../registry';
import { foundIn } from './found';
import { PLACES, SETTINGS } from './places';

const rows = PLACES.map(({ label, bench, words }) => ({ label, where: bench ?? 'join', words }));
const first = (query: string): string | undefined => foundIn(rows, query)[0]?.label;

describe('what can be found', () => {
  it('has a row for every bench and every tab of one, and for none that is not there', () => {
    const tabs = BENCHES.flatMap(({ address }) => {
      const file = new URL(`../../benches/${address ?? 'join'}/index.ts`, import.meta.url);
      const values = [...readFileSync(file, 'utf8').matchAll(/\{ value: '([a-z]+)'/g)].map(
        ([, value]) => value,
      );
      return (values.length > 0 ? values : [undefined]).map((tab) => `${address}/${tab}`);
    });
    expect([...new Set(PLACES.map(({ bench, tab }) => `${bench}/${tab}`))].sort()).toEqual([...tabs].sort());
    expect(tabs.length).toBeGreaterThan(25);
  });

  it('is found by plain words, other than its own among them', () => {
    expect(
      [
        'transpose',
        'singer',
        'easier',
        'PDF',
        'bpm',
        'time signature',
        'verse chorus',
        'arpeggio',
        'csv',
        'outro',
        'thumb',
      ].map(first),
    ).toEqual([
      'Transpose',
      'Transpose',
      'Transpose',
      'Print',
      'Metre, tempo and bars',
      'Metre, tempo and bars',
      'Sections',
      'Left-hand pattern',
      'Practice log',
      'Intro and ending',
      'Fingering',
    ]);
  });

  it('leads to what is set once', () => {
    const settings = SETTINGS.map(([label, words]) => ({ label, where: 'Settings', words }));
    const of = (query: string): string | undefined => foundIn([...rows, ...settings], query)[0]?.label;
    expect(
      ['small hands', 'dark mode', 'do re mi', 'inches', 'MIDI out', 'bigger letters', 'left-handed'].map(of),
    ).toEqual([
      'Profiles: hands and keyboard',
      'Colours: light, dark, stage',
      'Names of notes',
      'Centimetres or inches',
      'Sound and MIDI instrument',
      'Larger letters',
      'Side of the panel',
    ]);
  });

  it('has every word at the beginning of one, those whose label has them first; marks and capitals do not matter', () => {
    const all = [
      { label: 'Old song', where: 'Song', words: 'slow' },
      { label: 'Slower', where: 'Playing', words: 'tempo' },
      { label: 'Café', where: 'Song', words: '' },
    ];
    expect(foundIn(all, 'slow').map(({ label }) => label)).toEqual(['Slower', 'Old song']);
    expect(foundIn(all, 'tem slo').map(({ label }) => label)).toEqual(['Slower']);
    // Where nothing has every word, what has most of them.
    expect(foundIn(all, 'slow tempo please').map(({ label }) => label)).toEqual(['Slower']);
    expect(foundIn(all, 'CAFE').map(({ label }) => label)).toEqual(['Café']);
    expect(foundIn(all, 'low')).toEqual([]);
    expect(foundIn(all, '  ')).toEqual(all);
  });
});
