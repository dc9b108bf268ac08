import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { nameOf, parsePitch } from '../music';
import { applyEdit, DEFAULT_PROFILE, type OwnBars, type Song } from '../song';
import { wholeBars } from '../testing';
import type { Arrangement } from './arrangement';
import { alsoPlayedIn, byHand, doubled, following, followsChords } from './byHand';

const [lanterns] = DEMO_SONGS;
const LEFT = { hand: 'left', how: 'instead', isThisTime: false } as const;
const put = (song: Song, own: OwnBars): Arrangement =>
  arrange(applyEdit(song, { kind: 'own-bars-written', own, session: null }), DEFAULT_PROFILE);
const told = ({ notes }: OwnBars): string[] =>
  notes.map(
    ({ after, length, pitch, over }) => `${after}+${length} ${nameOf(pitch)}${over ? ` over ${over}` : ''}`,
  );

describe('bars to be changed by hand', () => {
  it('are what is played there, any level and hand: written as they are nothing of that part sounds otherwise', () => {
    for (const song of DEMO_SONGS)
      for (const hand of ['left', 'right'] as const)
        for (const level of [4, 5]) {
          const levelled = applyEdit(song, { kind: 'choose', choices: { level } });
          const a = arrange(levelled, DEFAULT_PROFILE, { withoutFingers: true });
          const [fromBar, toBar] = [a.parts[1].fromBar, a.parts[1].toBar];
          const asked = byHand(a, { ...LEFT, hand, fromBar, toBar });
          const again = asked && put(levelled, asked.own);
          const sounds = (b: Arrangement) =>
            b.arranged[1]?.[hand].map(({ tick, length, midi }) => `${tick}+${length} ${midi}`);
          expect([asked?.isWritten, again && sounds(again)]).toEqual([false, sounds(a)]);
        }
  });

  it('are those of all that was written together where they lie within it', () => {
    const whole = byHand(arrange(lanterns, DEFAULT_PROFILE), { ...LEFT, fromBar: 2, toBar: 3 });
    const a = put(lanterns, (whole as NonNullable<typeof whole>).own);
    const one = byHand(a, { ...LEFT, fromBar: 3, toBar: 3 });
    expect([one?.isWritten, one?.own.id, one?.bars.map(({ number }) => number)]).toEqual([
      true,
      'left instead 2880+5760',
      [2, 3],
    ]);
    expect(byHand(a, { ...LEFT, fromBar: 4, toBar: 4 })?.own.id).toBe('left instead 8640+2880');
    expect(byHand(a, { ...LEFT, how: 'beside', fromBar: 3, toBar: 3 })?.own.notes).toEqual([]);
    expect(byHand(a, { ...LEFT, fromBar: 90, toBar: 90 })).toBeNull();
  });

  it('end where the music jumps, and are for each time or for this one', () => {
    const song: Song = {
      ...wholeBars(['E5', 'D5', 'C5'], ['C', 'G', 'C']),
      playingOrder: [
        { fromBar: 1, toBar: 2 },
        { fromBar: 1, toBar: 3 },
      ],
    };
    const a = arrange(song, DEFAULT_PROFILE);
    const asked = byHand(a, { ...LEFT, fromBar: 2, toBar: 4 });
    expect([asked?.bars.map(({ written }) => written), asked?.comesBack]).toEqual([[2], true]);
    const second = byHand(a, { ...LEFT, isThisTime: true, fromBar: 3, toBar: 3 });
    expect([second?.own.pass, second?.own.tick, second?.fromTick]).toEqual([2, 0, 7680]);
    // A bar that is played once has no other time, whatever was asked for before.
    const last = byHand(a, { ...LEFT, isThisTime: true, fromBar: 5, toBar: 5 });
    expect([last?.own.pass, last?.comesBack]).toEqual([null, false]);
  });

  it('follow their chords, and are told with the keys they have now', () => {
    const song = wholeBars(['E5', 'D5'], ['C', 'G']);
    const asked = byHand(arrange(song, DEFAULT_PROFILE), { ...LEFT, fromBar: 1, toBar: 1 });
    if (!asked) throw new Error('no bar');
    const one = {
      ...asked,
      own: { ...asked.own, notes: [{ after: 0, length: 960, pitch: parsePitch('E3') }] },
    };
    const follows = following(one, arrange(song, DEFAULT_PROFILE), true);
    expect([followsChords(follows), told(follows)]).toEqual([true, ['0+960 E3 over C']]);
    const written = put(song, follows);
    const changed = arrange(
      applyEdit(written.song, { kind: 'change-written', id: song.changes[0].id, symbol: 'F' }),
      DEFAULT_PROFILE,
    );
    const now = byHand(changed, { ...LEFT, fromBar: 1, toBar: 1 });
    expect(now && told(now.own)).toEqual(['0+960 A3 over F']);
    expect(now && told(following(now, changed, false))).toEqual(['0+960 A3']);
  });

  it('of a whole song written by hand are changed and given back bar by bar', () => {
    const plain = arrange(lanterns, DEFAULT_PROFILE);
    const whole: OwnBars = {
      id: 'o1',
      hand: 'left',
      tick: 0,
      length: plain.played.endTick,
      how: 'instead',
      pass: null,
      notes: plain.played.bars.map(({ tick, length }) => ({ after: tick, length, pitch: parsePitch('C2') })),
    };
    const a = put(lanterns, whole);
    const one = byHand(a, { ...LEFT, fromBar: 3, toBar: 3 });
    expect([one?.isWritten, one?.own.id, one && told(one.own)]).toEqual([
      true,
      'left instead 5760+2880',
      ['0+2880 C2'],
    ]);
    const changed = put(a.song, { ...(one as NonNullable<typeof one>).own, notes: [] });
    expect(
      changed.song.ownBars.map(({ tick, length, notes }) => [tick / 2880, length / 2880, notes.length]),
    ).toEqual([
      [0, 2, 2],
      [2, 1, 0],
      [3, 21, 21],
    ]);
    const { hand, how, pass, tick, length } = whole;
    const back = applyEdit(a.song, { kind: 'own-bars-cleared', hand, how, pass, tick: 2880, length: 2880 });
    expect(arrange(back, DEFAULT_PROFILE).left.filter((n) => n.tick >= 2880 && n.tick < 5760)).toHaveLength(
      3,
    );
    expect(applyEdit(a.song, { kind: 'own-bars-cleared', hand, how, pass, tick, length }).ownBars).toEqual(
      [],
    );
  });

  it('say which parts play them too, and which do not', () => {
    const asked = { ...LEFT, fromBar: 1, toBar: 1 };
    const plain = byHand(arrange(lanterns, DEFAULT_PROFILE), asked) as NonNullable<ReturnType<typeof byHand>>;
    const a = put(lanterns, { ...plain.own, notes: [{ after: 0, length: 2880, pitch: parsePitch('E2') }] });
    const first = byHand(a, asked) as NonNullable<ReturnType<typeof byHand>>;
    expect(alsoPlayedIn(first, a)).toEqual([4]);
    // Something else is written there in the fourth part.
    const [, , , fourth] = a.parts;
    const own = { ...plain.own, id: 'own', tick: fourth.fromTick, notes: [] };
    expect(alsoPlayedIn(first, put(a.song, own))).toEqual([]);
  });

  it('double the tune below middle E; nothing where no tune is played', () => {
    const a = arrange(lanterns, DEFAULT_PROFILE);
    const asked = byHand(a, { ...LEFT, fromBar: 1, toBar: 1 }) as NonNullable<ReturnType<typeof byHand>>;
    const own = doubled(asked, a);
    expect(own && told(own)).toEqual(['0+1920 A3', '1920+960 B3']);
    expect(doubled(asked, arrange({ ...lanterns, melody: [] }, DEFAULT_PROFILE))).toBeNull();
  });
});
