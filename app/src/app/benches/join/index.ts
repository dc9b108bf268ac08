import { Injectable } from '@angular/core';
import { BenchBehaviour, type BenchDefinition } from '../../frame/definition';
import { Reasons } from './reasons';

/** On the Join bench voicings are tried, and the next best is at hand. */
@Injectable()
class JoinBehaviour extends BenchBehaviour {
  override readonly weighsVoicings = true;
}

/** The Join bench: both hands together, and the reasons. */
export const bench: BenchDefinition = {
  providers: [JoinBehaviour],
  behaviour: JoinBehaviour,
  panel: Reasons,
  shortcuts: [],
};
