import { expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { DEFAULT_PROFILE } from '../song';
import { writeMusicXml } from './musicxmlWrite';

it.each(DEMO_SONGS.map((song, i) => [song.title, song, 4 + (i % 4)] as const))(
  '%s: a slur over each phrase of more than one note, each ended before the next begins; none unasked',
  (_, song, level) => {
    const a = arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE);
    const text = writeMusicXml(a, { hasSlurs: true });
    const types = [...text.matchAll(/<slur type="(\w+)" number="1"\/>/g)].map(([, type]) => type);
    const phrases = a.shape.phrases.filter(({ fromTick, toTick }) => {
      const struck = a.right.filter(({ tick, grace }) => !grace && tick >= fromTick && tick < toTick);
      return new Set(struck.map(({ tick }) => tick)).size > 1;
    });
    expect(types).toEqual(phrases.flatMap(() => ['start', 'stop']));
    expect(phrases.length).toBeGreaterThan(2);
    expect(writeMusicXml(a)).not.toContain('<slur');
  },
);
