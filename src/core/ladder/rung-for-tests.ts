import type { Rung } from '../studio';

/** A rung with everything that the test is not about filled in. */
export const rungOf = (more: Partial<Rung> = {}): Rung => ({
  id: 'r',
  kind: 'own',
  what: '',
  hands: '',
  tempo: null,
  tempoTo: null,
  times: 1,
  done: '',
  why: '',
  own: false,
  ...more,
});
