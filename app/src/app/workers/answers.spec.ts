import {
  arrange,
  compareLayouts,
  easierBy,
  effortOver,
  fillEfforts,
  otherFingers,
  patternTried,
} from '@joined-hands/core/arrange';
import { factsOf } from '@joined-hands/core/arrangement';
import { easierKeys } from '@joined-hands/core/effort';
import { readProject, writeMidi, writeMusicXml } from '@joined-hands/core/formats';
import { findKeys } from '@joined-hands/core/harmony';
import { partsOf, progressionsOf } from '@joined-hands/core/parts';
import { songToRank } from '@joined-hands/core/practice';
import { applyEdit, DEFAULT_PROFILE, type OwnPattern, type SongEdit, unfold } from '@joined-hands/core/song';
import { chordsFor, suggestionsAt } from '@joined-hands/core/suggesting';
import { findMetres } from '@joined-hands/core/takes';
import { alternativesFor, movementProof } from '@joined-hands/core/voicing';
import { writePartCards, writeWalkthrough } from '@joined-hands/core/words';
import { unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { type Answers, answerTo, type Question } from './answers';
import { Receiver, type Sent } from './travelling';

const [lanterns, sluicegate] = DEMO_SONGS;
const ask = <K extends Question['kind']>(question: Extract<Question, { kind: K }>, song = lanterns) =>
  answerTo(song, DEFAULT_PROFILE, question) as Answers[K];
const played = unfold(lanterns);
const parts = partsOf(lanterns, played);
const whole = arrange(lanterns, DEFAULT_PROFILE);
const [, , change] = lanterns.changes;
const pattern: OwnPattern = {
  id: 'own-1',
  name: 'Low, then high',
  base: 'voicing',
  beats: 2,
  events: [
    { onset: 0, length: 1, members: [1] },
    { onset: 1, length: 1, members: [2, 3] },
  ],
};

describe('answers to questions about a song', () => {
  const place = { part: 0, tick: whole.right[0].tick, midi: whole.right[0].midi, hand: 'right' } as const;
  const rows: readonly [Question, () => unknown][] = [
    [
      { kind: 'alternatives', changeId: change.id },
      () => alternativesFor(lanterns, DEFAULT_PROFILE, played, parts, change.id),
    ],
    [{ kind: 'layouts', cutId: null }, () => compareLayouts(lanterns, DEFAULT_PROFILE, null)],
    [
      { kind: 'layouts', cutId: parts[1].cutId },
      () => compareLayouts(lanterns, DEFAULT_PROFILE, parts[1].cutId),
    ],
    [{ kind: 'efforts' }, () => effortOver(lanterns, DEFAULT_PROFILE)],
    [{ kind: 'pattern-tried', pattern }, () => patternTried(lanterns, DEFAULT_PROFILE, pattern)],
    [{ kind: 'fingers', place }, () => otherFingers(lanterns, DEFAULT_PROFILE, place)],
    [{ kind: 'easier', part: 2 }, () => easierBy(lanterns, DEFAULT_PROFILE, 2)],
    [{ kind: 'fill-efforts', changeId: change.id }, () => fillEfforts(lanterns, DEFAULT_PROFILE, change.id)],
    [{ kind: 'proof' }, () => movementProof(lanterns, DEFAULT_PROFILE, played, parts)],
    [
      { kind: 'suggestions', changeId: change.id, taste: 'colourful', triads: false },
      () => suggestionsAt(lanterns, change.id, 'colourful', false),
    ],
    [
      { kind: 'chords', taste: 'sevenths', scope: 'all', triads: true },
      () => chordsFor(lanterns, 'sevenths', 'all', true),
    ],
    [{ kind: 'easier-keys' }, () => easierKeys(lanterns, DEFAULT_PROFILE)],
    [{ kind: 'keys' }, () => findKeys(lanterns)],
    [{ kind: 'metres' }, () => findMetres(lanterns.melody, lanterns.changes)],
    [{ kind: 'progressions' }, () => progressionsOf(played, parts)],
    [{ kind: 'facts' }, () => factsOf(lanterns, played, parts)],
    [{ kind: 'to-rank' }, () => songToRank(whole)],
  ];

  it.each(rows)('%o is what the core says', (question, said) => {
    const answer = answerTo(lanterns, DEFAULT_PROFILE, question);
    expect(answer).toEqual(said());
    expect(answer).not.toBeUndefined();
  });

  const arrived = (sent: Sent, song = lanterns) => {
    return new Receiver().unpack(sent, song, DEFAULT_PROFILE);
  };

  it('a trial is the song with an edit, ready to be heard: without fingers', () => {
    const edit: SongEdit = { kind: 'choose', choices: { level: 5 } };
    const edited = applyEdit(lanterns, edit);
    const wanted = arrange(edited, DEFAULT_PROFILE, { withoutFingers: true });
    const heard = arrived(ask({ kind: 'trial', edit }), edited);
    expect(heard.left).toEqual(wanted.left);
    expect(heard.right.every(({ finger }) => finger === null)).toBe(true);
    const asIs = arrived(ask({ kind: 'trial', edit: null }));
    expect(asIs.left.map(({ tick, midi }) => [tick, midi])).toEqual(
      whole.left.map(({ tick, midi }) => [tick, midi]),
    );
  });

  it('a preview is the melody alone in every part, whatever a part has of its own', () => {
    const own = applyEdit(lanterns, {
      kind: 'choose-for-part',
      cutId: parts[0].cutId,
      choices: { level: 5 },
    });
    expect(own.partSettings).not.toEqual(lanterns.partSettings);
    const heard = arrived(ask({ kind: 'preview' }, own), own);
    expect(heard.left).toEqual([]);
    expect(heard.right.length).toBe(whole.right.length);
  });

  it('files of every kind are those of the writers', () => {
    const file = (format: Extract<Question, { kind: 'file' }>['format'], practice?: unknown) =>
      ask({ kind: 'file', format, practice });
    expect(file('musicxml')).toBe(writeMusicXml(whole));
    expect(file('midi')).toEqual(writeMidi(whole));
    expect(file('walkthrough')).toBe(writeWalkthrough(whole));
    expect(file('cards')).toBe(writePartCards(whole));
    const packed = unzipSync(file('mxl') as Uint8Array);
    const score = Object.keys(packed).find((name) => /\.(musicxml|xml)$/.test(name) && !/META/.test(name));
    expect(new TextDecoder().decode(packed[score ?? ''])).toBe(writeMusicXml(whole));
    const project = file('project', { turns: [] }) as string;
    expect(readProject(project).song).toEqual(lanterns);
    expect(JSON.parse(project)).toMatchObject({ practice: { turns: [] } });
  });

  it('another song has other answers', () => {
    expect(ask({ kind: 'facts' }, sluicegate)).toEqual(
      factsOf(sluicegate, unfold(sluicegate), partsOf(sluicegate, unfold(sluicegate))),
    );
    expect(ask({ kind: 'facts' }, sluicegate)).not.toEqual(ask({ kind: 'facts' }));
  });
});
