import type { RungKind } from '../../studio';
import type { ProposedRung, RungFacts } from '../rung-facts';
import type { RungRule } from './rung-rule';
import { posture } from './posture';
import { listen } from './listen';
import { warmUp } from './warm-up';
import { tap } from './tap';
import { stroke } from './stroke';
import { block } from './block';
import { rightAlone } from './right-alone';
import { leftAlone } from './left-alone';
import { playAndSay } from './play-and-say';
import { alone } from './alone';
import { stops } from './stops';
import { together } from './together';
import { eyes } from './eyes';
import { corner } from './corner';
import { join } from './join';
import { breath } from './breath';
import { words } from './words';
import { slow } from './slow';
import { tempo } from './tempo';
import { articulation } from './articulation';
import { dynamics } from './dynamics';
import { partner } from './partner';
import { startingPoint } from './starting-point';
import { memory } from './memory';
import { run } from './run';
import { perform } from './perform';
import { own } from './own';

/** Every kind of rung, in the order of a ladder, lowest first. */
export const RUNGS: { readonly [K in RungKind]: RungRule } = {
  posture,
  listen,
  'warm-up': warmUp,
  tap,
  stroke,
  block,
  'right-alone': rightAlone,
  'left-alone': leftAlone,
  'play-and-say': playAndSay,
  alone,
  stops,
  together,
  eyes,
  corner,
  join,
  breath,
  words,
  slow,
  tempo,
  articulation,
  dynamics,
  partner,
  'starting-point': startingPoint,
  memory,
  run,
  perform,
  own,
};
const ORDER = Object.keys(RUNGS) as readonly RungKind[];

/** Kinds that come before a reader's eyes leave the hands where dynamics are taught from the start. */
const MUSIC: readonly RungKind[] = ['articulation', 'dynamics'];

/** The order of a ladder; where touch and dynamics belong is a setting. */
function orderFor(dynamics: RungFacts['teaching']['dynamics']): readonly RungKind[] {
  if (dynamics === 'after') return ORDER;
  return ORDER.filter((kind) => !MUSIC.includes(kind)).flatMap((kind) => (kind === 'eyes' ? [...MUSIC, kind] : [kind]));
}

/** What the bars ask for, lowest rung first. */
export const proposeRungs = (facts: RungFacts): ProposedRung[] =>
  orderFor(facts.teaching.dynamics).flatMap((kind) => RUNGS[kind].propose(facts));
