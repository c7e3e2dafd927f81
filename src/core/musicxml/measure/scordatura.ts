import { writtenMidi, type Accord } from '../../score';
import { midiKey } from '../../units';
import { child, childrenNamed, childText, type XmlElement } from '../xml-tree';
import { integer } from './integer';
import { isStep } from './pitch';

/** The strings that a direction says are tuned otherwise; none where it says nothing of it. */
export function readAccords(direction: XmlElement): readonly Accord[] {
  return childrenNamed(direction, 'direction-type').flatMap((type) => {
    const scordatura = child(type, 'scordatura');
    return (scordatura ? childrenNamed(scordatura, 'accord') : []).flatMap((accord): Accord[] => {
      const string = integer(accord.attributes['string']);
      const step = childText(accord, 'tuning-step') ?? '';
      const octave = integer(childText(accord, 'tuning-octave'));
      const alter = integer(childText(accord, 'tuning-alter')) ?? 0;
      return string !== null && string >= 1 && octave !== null && isStep(step)
        ? [{ string, key: midiKey(writtenMidi({ step, alter, octave })) }]
        : [];
    });
  });
}
