import { describe, expect, it } from 'vitest';
import type { Rung } from '../studio';
import { fromTemplateRungs, toTemplateRungs } from './templates';

const rung: Rung = {
  id: 'r',
  key: 'tempo',
  kind: 'tempo',
  what: 'Up to speed',
  hands: 'both',
  tempo: 50,
  tempoTo: 110,
  times: 3,
  done: 'twice in a row',
  why: 'the target',
  own: false,
  minutes: 4,
};

describe('a template', () => {
  it('keeps tempos as shares of the target, to a thousandth, and nothing of the piece', () =>
    expect(toTemplateRungs([rung], 90)).toEqual([
      {
        kind: 'tempo',
        what: 'Up to speed',
        hands: 'both',
        tempo: 0.556,
        tempoTo: 1.222,
        times: 3,
        done: 'twice in a row',
        why: 'the target',
      },
    ]));
  it('fits another piece by its target; its rungs are then the teacher’s own, under new ids', () => {
    const [made] = fromTemplateRungs(toTemplateRungs([rung], 100), 60, () => 'new');
    expect(made).toMatchObject({ id: 'new', tempo: 30, tempoTo: 66, own: true, what: 'Up to speed' });
    expect(made).not.toHaveProperty('key');
  });
  it('leaves out tempos that a rung does not have, and stays within what a metronome can do', () => {
    const [none] = toTemplateRungs([{ ...rung, tempo: null, tempoTo: null }], 90);
    expect(none).toMatchObject({ tempo: null, tempoTo: null });
    expect(fromTemplateRungs(none ? [none] : [], 90, () => 'new')[0]).toMatchObject({ tempo: null, tempoTo: null });
    const [slow] = fromTemplateRungs(toTemplateRungs([{ ...rung, tempo: 10, tempoTo: 600 }], 100), 300, () => 'new');
    expect([slow?.tempo, slow?.tempoTo]).toEqual([30, 600]);
    const [least] = fromTemplateRungs(toTemplateRungs([{ ...rung, tempo: 10 }], 100), 30, () => 'new');
    expect(least?.tempo).toBe(10);
  });
});
