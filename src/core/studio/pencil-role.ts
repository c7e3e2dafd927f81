import type { PencilRole } from './kinds/marks/pencil';

const FINGER = /^[0-5](-[0-5])?$|^[pimatx]$/;
const DYNAMIC = /^(p{1,3}|m[pf]|f{1,3}|sf|sfz|fp|cresc\.?|dim\.?|decresc\.?|[<>])$/;
const BREATH = /^(['’‘`,]|\(['’,]\)|v)$/i;
const COUNT = /^\d+(\s*[+&e]\s*|\s+)[\d+&ea ]*$/i;

/**
 * What a short text in pencil is: a finger, a level, a breath, a count; a cue where it is none of them.
 *
 * @example ['3', 'mf', "’", '1 + 2 +', 'light thumb'].map(pencilRole)
 * // → ['finger', 'dynamic', 'breath', 'count', 'cue']
 */
export function pencilRole(text: string): PencilRole {
  const bare = text.trim();
  if (FINGER.test(bare)) return 'finger';
  if (DYNAMIC.test(bare)) return 'dynamic';
  if (BREATH.test(bare)) return 'breath';
  return COUNT.test(bare) ? 'count' : 'cue';
}
