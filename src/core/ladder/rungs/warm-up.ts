import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Technique the bars ask for: changes of chords, a scale, a leap. */
export const warmUp: RungRule = {
  inWeek: 'technique',
  once: false,
  propose: (f) => {
    if (!inScope(f, 'unit', 'section')) return [];
    const { scaleRun, leap, chordChanges } = f.content;
    return [
      ...(f.strums && chordChanges.length > 0
        ? [
            one(
              'warm-up',
              `Change ${chordChanges.slice(0, 4).join(', ')}, without strumming`,
              '',
              f.start,
              4,
              'each change on the beat, 4 times',
              `${chordChanges.length} chord ${chordChanges.length === 1 ? 'change' : 'changes'} here`,
              {
                key: 'warm-up chords',
              },
            ),
          ]
        : []),
      ...(scaleRun
        ? [
            one(
              'warm-up',
              `Warm up: the scale of ${scaleRun.name}`,
              both(f),
              f.start,
              2,
              'twice, evenly',
              `${f.barOf(scaleRun.bar)} runs along it`,
              {
                key: 'warm-up scale',
              },
            ),
          ]
        : []),
      ...(leap
        ? [
            one(
              'warm-up',
              `Find the leap into ${f.barOf(leap.bar)} without playing`,
              '',
              null,
              4,
              '4 times at once',
              `a leap of ${leap.semitones} semitones`,
              {
                key: 'warm-up leap',
              },
            ),
          ]
        : []),
    ];
  },
};
