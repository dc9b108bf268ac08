import { computed, inject, Injectable } from '@angular/core';
import { DEFAULT_FULLER, fullerFor } from '@joined-hands/core/fuller';
import { FULLER, MOVING } from '@joined-hands/core/levels';
import { VARY } from '@joined-hands/core/parts';
import { AUTO, BLOCK } from '@joined-hands/core/patterns';
import { inWords } from '@joined-hands/core/sentences';
import type { Choices, Fuller } from '@joined-hands/core/song';
import { JoinState } from './join-state';

const VARIED = {
  id: VARY,
  name: 'Varied',
  says: 'kindred patterns take turns, part by part, livelier where the section is',
};
const PLAIN = { id: AUTO, name: 'Plain', says: 'chords on the beat over the bass and its octave' };
const BY_METRE = {
  id: AUTO,
  name: 'By metre',
  says: 'the usual one for the metre and the energy of each section',
};
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

  readonly rows = computed(() => [
    this.isSung() ? PLAIN : BY_METRE,
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

  readonly fullerRows = computed(() => fullerFor(this.join.bench.state().profile.rightReach));
  readonly fuller = computed(() => (this.isFuller() ? (this.choices()?.fuller ?? DEFAULT_FULLER) : null));

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

  withFuller(fuller: Fuller): Partial<Choices> {
    return this.isFuller() ? { fuller } : { fuller, level: FULLER };
  }
}
