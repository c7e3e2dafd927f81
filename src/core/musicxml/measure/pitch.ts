import type { Pitch, Step } from '../../score';
import { childText, type XmlElement } from '../xml-tree';
import { integer } from './integer';
import type { Warn } from './part-state';

/** Whether a text is the letter of a pitch. */
export const isStep = (text: string): text is Step => /^[A-G]$/.test(text);

/** Reads `<pitch>`; null, and said, for one that does not exist. */
export function readPitch(element: XmlElement, warn: Warn): Pitch | null {
  const step = childText(element, 'step') ?? '';
  const octave = integer(childText(element, 'octave'));
  const alterText = childText(element, 'alter');
  const alter = alterText === undefined ? 0 : Number(alterText);
  if (!isStep(step) || octave === null || octave < 0 || octave > 9 || !Number.isFinite(alter) || Math.abs(alter) > 3) {
    warn(
      'bad-pitch',
      `a note has the pitch "${step.slice(0, 8)}${alter || ''} octave ${childText(element, 'octave')?.slice(0, 8) ?? '?'}", which does not exist; it is kept without a pitch`,
    );
    return null;
  }
  return { step, alter, octave };
}
