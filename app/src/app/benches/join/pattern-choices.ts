import { computed, inject, Injectable } from '@angular/core';
import { fullerFor } from '@joined-hands/core/fuller';
import { FULLER, MOVING } from '@joined-hands/core/levels';
import { VARY } from '@joined-hands/core/parts';
import { AUTO, BLOCK } from '@joined-hands/core/patterns';
import { because, inWords } from '@joined-hands/core/sentences';
import { isStyled, STYLES, styleOf } from '@joined-hands/core/shaping';
import { BY_PHRASE, type Choices } from '@joined-hands/core/song';
import { JoinState } from './join-state';

const VARIED = {
  id: VARY,
  name: 'Varied',
  says: 'kindred patterns take turns, part by part, livelier where the section is',
};
const PLAIN = { id: AUTO, name: 'Plain', says: 'chords on the beat over the bass and its octave' };
/** What the right hand plays where no one thing is chosen for all of it, and where nothing is wanted. */
const RIGHT_HAND = [
  {
    id: BY_PHRASE,
    name: 'By phrase',
    says: 'alone, in thirds, sixths, chords or octaves, as strong as each phrase is',
  },
  { id: 'none', name: 'Tune alone', says: '' },
] as const;
const HELD = { id: BLOCK.id, name: BLOCK.name, says: 'each chord struck and held' };

/** What each hand could play in the place of blocks and single notes, and which of it is played. */
@Injectable()
export class PatternChoices {
  private readonly join = inject(JoinState);
  private readonly choices = computed(() => this.join.bench.part()?.choices);

  readonly isMoving = computed(() => this.join.bench.levelRow().isMoving);
  readonly isFuller = computed(() => this.join.bench.levelRow().rightHand === 'fuller');
  readonly isSung = computed(() => this.choices()?.layout === 'singing');
  /** The chords lie under the tune: the left hand holds its bass, unless it has a pattern of the pianist's own. */
  readonly isUnder = computed(() => this.choices()?.layout.startsWith('under-melody') ?? false);

  /** The styles: the one that suits the song and the one that is played, then the others. */
  readonly styles = computed(() => {
    const proposed = this.join.bench.arrangement()?.shape.proposed;
    if (!proposed || this.isSung()) return { near: [], others: [] };
    const suits = styleOf(proposed.style);
    const rows = [suits, ...STYLES.filter((style) => style !== suits)].map(({ id, name, told }) => ({
      id,
      name,
      says:
        id === suits.id ? `${told}. Suits this song: ${inWords(because.styleFits(proposed.reason))}` : told,
    }));
    const isNear = ({ id }: { readonly id: string }): boolean => id === suits.id || id === this.style();
    return { near: rows.filter(isNear), others: rows.filter((row) => !isNear(row)) };
  });
  /** The style that is played; none while chords are held or a pattern is chosen. */
  readonly style = computed(() => {
    const [part, shape] = [this.join.bench.part(), this.join.bench.arrangement()?.shape];
    return part && shape && isStyled(part) && !this.isUnder()
      ? styleOf(part.choices.style ?? shape.proposed.style).id
      : null;
  });

  readonly rows = computed(() => [
    ...(this.isSung() ? [PLAIN] : []),
    ...this.join
      .proposals()
      .map(({ id, name, reasons }) => ({ id, name, says: reasons.map(inWords).join('; ') })),
    ...(this.isSung() ? [] : [VARIED]),
    HELD,
  ]);
  /** The pattern that is played; none while chords are held. */
  readonly chosen = computed(() => {
    const pattern = this.choices()?.pattern ?? AUTO;
    if (!this.isMoving() || (this.isUnder() && !this.isOwn(pattern))) return null;
    return pattern.startsWith(VARY) ? VARY : pattern;
  });
  /** The same family beginning with another. */
  readonly nextTurn = computed(() => {
    const seed = Number(/^vary:(\d+)$/.exec(this.choices()?.pattern ?? '')?.[1] ?? 0);
    return `${VARY}:${seed + 1}`;
  });

  readonly fullerRows = computed(() => [
    ...RIGHT_HAND,
    ...fullerFor(this.join.bench.state().profile.rightReach).map(({ id, name }) => ({ id, name, says: '' })),
  ]);
  readonly fuller = computed(() => (this.isFuller() ? (this.choices()?.fuller ?? BY_PHRASE) : null));

  private isOwn(pattern: string): boolean {
    return this.join.bench.song()?.patterns.some(({ id }) => id === pattern) ?? false;
  }

  /** A pattern, and the level and layout in which it is heard. */
  withLevel(pattern: string): Partial<Choices> {
    return {
      pattern,
      ...(this.isMoving() ? {} : { level: MOVING }),
      ...(this.isUnder() && !this.isOwn(pattern) ? { layout: 'block' } : {}),
    };
  }

  /** A style, in the place of any pattern, and the level and layout in which it is heard. */
  withStyle(style: string): Partial<Choices> {
    const { pattern, ...others } = this.withLevel(AUTO);
    return { ...others, ...(this.choices()?.pattern === AUTO ? {} : { pattern }), style };
  }

  withFuller(fuller: NonNullable<Choices['fuller']>): Partial<Choices> {
    return this.isFuller() ? { fuller } : { fuller, level: FULLER };
  }
}
