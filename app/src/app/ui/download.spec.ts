import { describe, expect, it } from 'vitest';
import { fileName } from './download';

describe('file names', () => {
  it.each([
    ['Lanterns at Low Water', 'lanterns-at-low-water'],
    ['  Ebb & Flow: “Part 2”  ', 'ebb-flow-part-2'],
    ['Möwe über Föhr', 'möwe-über-föhr'],
    ['潮の満ち引き', '潮の満ち引き'],
    ['Ночной прилив', 'ночной-прилив'],
    ['مد وجزر', 'مد-وجزر'],
    ['ज्वार भाटा', 'ज्वार-भाटा'],
    ['../../etc/passwd', 'etc-passwd'],
    ['CON', 'song-con'],
    ['lpt1', 'song-lpt1'],
    ['com10', 'com10'],
    ['???', 'song'],
    ['', 'song'],
  ])('%s', (title, name) => {
    expect(fileName(title)).toBe(name);
  });

  it('are cut between letters where no file system would take them', () => {
    const name = fileName('潮'.repeat(200));
    expect(name).toBe('潮'.repeat(40));
    expect(fileName('a'.repeat(119) + ' b')).toBe('a'.repeat(119));
  });
});
