import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import type { HandNote } from '../hands';
import { nameOf } from '../music';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { some } from '../testing';
import { writeMidi } from './midiWrite';
import { readMidiTunes } from './midiRead';
import { readMusicXmlTunes } from './musicxmlRead';
import { writeMusicXml } from './musicxmlWrite';

const bothHands = (text: string): Song => {
  const found = readMusicXmlTunes(text, 's', 'S').find(({ id }) => id === 'both-hands');
  if (!found) throw new Error('both hands are not offered');
  return found.song;
};
const struck = (notes: readonly HandNote[]): string[] =>
  notes
    .map(({ tick, length, pitch, grace }) => `${tick}+${length} ${nameOf(pitch)}${grace ? ' grace' : ''}`)
    .sort();
const both = ({ right, left }: Arrangement): string[][] => [struck(right), struck(left)];

/** A score of two staves, bar by bar. */
const score = (...measures: string[]): string => `<?xml version="1.0"?><score-partwise version="4.0">
<part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list><part id="P1">
${measures
  .map(
    (content, i) =>
      `<measure number="${i + 1}">${i === 0 ? '<attributes><divisions>4</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><staves>2</staves></attributes>' : ''}${content}</measure>`,
  )
  .join('')}
</part></score-partwise>`;
const n = (name: string, duration: number, staff: number, voice: number, more = ''): string => {
  const [, step, octave] = /^([A-G])(\d)$/.exec(name) ?? [];
  const [head = '', tail = ''] = more.split('|');
  return `<note>${head}<pitch><step>${step}</step><octave>${octave}</octave></pitch>${duration > 0 ? `<duration>${duration}</duration>` : ''}<voice>${voice}</voice><staff>${staff}</staff>${tail}</note>`;
};
const back = (duration: number): string => `<backup><duration>${duration}</duration></backup>`;

describe('a score of two hands, kept as it is written', () => {
  it('has voices, chords, ties, grace notes and fingers of each staff', () => {
    const song = bothHands(
      score(
        n('E5', 16, 1, 1, '|<notations><tied type="start"/></notations>').replace(
          '<voice>',
          '<tie type="start"/><voice>',
        ) +
          back(16) +
          n('C5', 8, 1, 2) +
          n('B4', 0, 1, 2, '<grace/>') +
          n('A4', 8, 1, 2, '|<notations><technical><fingering>2</fingering></technical></notations>') +
          back(16) +
          n('C3', 16, 2, 5) +
          n('G3', 16, 2, 5, '<chord/>'),
        n('E5', 16, 1, 1).replace('<voice>', '<tie type="stop"/><voice>') +
          back(16) +
          n('F2', 8, 2, 5) +
          n('G2', 8, 2, 5),
      ),
    );
    const a = arrange(song, DEFAULT_PROFILE);
    expect(both(a)).toEqual([
      ['0+1920 C5', '0+7680 E5', '1920+0 B4 grace', '1920+1920 A4'],
      ['0+3840 C3', '0+3840 G3', '3840+1920 F2', '5760+1920 G2'],
    ]);
    expect(song.melody.map(({ pitch, length }) => [nameOf(pitch), length])[0]).toEqual(['E5', 7680]);
    expect(a.right.find(({ midi }) => midi === 69)?.finger).toBe(2);
  });

  it('is not offered where the file does not say whose hand plays what', () => {
    const one = score(n('C5', 16, 1, 1)).replaceAll('<staff>1</staff>', '');
    expect(readMusicXmlTunes(one, 's', 'S').map(({ id }) => id)).not.toContain('both-hands');
  });

  it('comes back note for note from everything that is written here, at every level', () => {
    for (const { song, level } of some(
      DEMO_SONGS.flatMap((own) => [1, 2, 4, 5, 6, 7].map((level) => ({ song: own, level }))),
    )) {
      const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
      if (a.left.length === 0) continue;
      const text = writeMusicXml(a);
      const read = bothHands(text);
      const again = arrange(read, DEFAULT_PROFILE);
      expect([song.title, level, ...both(again)]).toEqual([song.title, level, ...both(a)]);
      expect(again.played.changes.map(({ symbol }) => symbol)).toEqual(
        a.played.changes.map(({ symbol }) => symbol),
      );
      // Written out once more it is the same score, fingers and all.
      expect(notesOf(writeMusicXml(again))).toEqual(notesOf(text));
    }
  });

  it('comes back from MIDI with the same keys at the same ticks', () => {
    for (const song of some(DEMO_SONGS)) {
      const a = arrange(applyEdit(song, { kind: 'choose', choices: { level: 5 } }), DEFAULT_PROFILE);
      const found = readMidiTunes(writeMidi(a), 's', 'S').find(({ id }) => id === 'both-hands');
      const keys = (notes: readonly HandNote[]): string[] =>
        notes.map(({ tick, midi }) => `${tick} ${midi}`).sort();
      const again = found && arrange(found.song, DEFAULT_PROFILE);
      expect([song.title, again && keys(again.right), again && keys(again.left)]).toEqual([
        song.title,
        keys(a.right.filter(({ grace }) => !grace)),
        keys(a.left.filter(({ grace }) => !grace)),
      ]);
    }
  });
});

/** The notes of a score, without its title and chords. */
function notesOf(text: string): string[] {
  return text
    .split('<note')
    .slice(1)
    .map((note) => note.slice(0, note.indexOf('</note>')));
}

describe('how keys are touched', () => {
  const sign = (name: string): string => `|<notations><articulations><${name}/></articulations></notations>`;
  const song = bothHands(
    score(
      n('E5', 8, 1, 1, sign('staccato')) +
        n('G5', 8, 1, 1, '<chord/>') +
        n('F5', 8, 1, 1, sign('tenuto')) +
        back(16) +
        n('C3', 8, 2, 5, sign('accent')) +
        n('G3', 8, 2, 5),
    ),
  );
  const touched = (of: Song): unknown[] =>
    of.ownBars.flatMap(({ hand, notes }) =>
      notes.map(({ after, pitch, touch }) => [hand, after / 960, nameOf(pitch), touch ?? 'plain']),
    );

  it('is read, of a chord for all its keys, written, and read again', () => {
    expect(touched(song)).toEqual([
      ['right', 0, 'E5', 'staccato'],
      ['right', 0, 'G5', 'staccato'],
      ['right', 2, 'F5', 'tenuto'],
      ['left', 0, 'C3', 'accent'],
      ['left', 2, 'G3', 'plain'],
    ]);
    expect(touched(bothHands(writeMusicXml(arrange(song, DEFAULT_PROFILE))))).toEqual(touched(song));
  });

  it('is heard: staccato half as long, an accent louder', () => {
    const { notes } = arrange(song, DEFAULT_PROFILE).timeline;
    const at = (midi: number) => notes.find((one) => one.midi === midi);
    expect((at(76)?.duration ?? 0) / (at(77)?.duration ?? 1)).toBeCloseTo(0.5);
    const strongest = Math.max(
      ...notes.filter(({ hand }) => hand === 'left').map(({ velocity }) => velocity),
    );
    expect(at(48)?.velocity).toBe(strongest);
    expect((at(48)?.velocity ?? 0) - (at(55)?.velocity ?? 0)).toBeGreaterThan(10);
  });
});

describe('the pedal', () => {
  const pedal = (type: string): string =>
    `<direction><direction-type><pedal type="${type}"/></direction-type><staff>2</staff></direction>`;
  const song = bothHands(
    score(
      n('E5', 16, 1, 1) + back(16) + pedal('start') + n('C3', 8, 2, 5) + pedal('change') + n('G3', 8, 2, 5),
      n('D5', 16, 1, 1) + back(16) + n('B2', 8, 2, 5) + pedal('stop') + n('G2', 8, 2, 5),
    ),
  );
  const pressed = (of: Song): unknown[] => {
    const { pedals } = arrange(of, DEFAULT_PROFILE).timeline;
    return pedals.map(({ tick, down }) => `${down ? 'down' : 'up'} ${tick / 960}`);
  };

  it('is pressed as it is written, written again, and read again the same', () => {
    expect(pressed(song)).toEqual(['down 0', 'up 2', 'down 2', 'up 6']);
    expect(pressed(bothHands(writeMusicXml(arrange(song, DEFAULT_PROFILE))))).toEqual(pressed(song));
  });

  it('of a bar given back to the program is the program\u2019s there, and as it is written beside it', () => {
    const [own] = song.ownBars.filter(({ hand }) => hand === 'left');
    const given = applyEdit(song, { kind: 'own-bars-cleared', ...own, tick: 3840, length: 3840 });
    expect(pressed(given).slice(0, 3)).toEqual(['down 0', 'up 2', 'down 2']);
    expect(given.ownBars.find(({ hand }) => hand === 'left')?.pedals).toEqual([
      { after: 0, length: 1920 },
      { after: 1920, length: 1920 },
    ]);
  });

  it('is as the part has it where the score says nothing', () => {
    const plain = bothHands(score(n('E5', 16, 1, 1) + back(16) + n('C3', 16, 2, 5)));
    expect(plain.ownBars.some(({ pedals }) => pedals !== undefined)).toBe(false);
    expect(pressed(plain)).toContain('down 0');
  });
});

describe('a tune with the notes under it', () => {
  it('has every key of the right hand it was written with, whatever its level gave it', () => {
    for (const song of some(DEMO_SONGS))
      for (const level of [4, 6]) {
        const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
        const text = writeMusicXml(a);
        const full = readMusicXmlTunes(text, 's', 'S').find(({ id }) => id === 'with-harmony');
        const right = struck(a.right).map((told) => told.replace(/\+\d+/, ''));
        if (!full) {
          expect([song.title, level, a.right.every(({ source }) => source === 'melody')]).toEqual([
            song.title,
            level,
            true,
          ]);
          continue;
        }
        const again = struck(arrange(full.song, DEFAULT_PROFILE).right);
        expect([song.title, level, again.map((told) => told.replace(/\+\d+/, ''))]).toEqual([
          song.title,
          level,
          right,
        ]);
      }
  });
});
