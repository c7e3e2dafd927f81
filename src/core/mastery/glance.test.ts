import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Level, LevelEvent } from '../studio';
import { dueState } from './fading';
import { foldStandings } from './fold-standing';
import { dueAtAGlance, glanceOf, packGlances, unpackGlances, type Glance } from './glance';

const at = (hours: number): string => new Date(Date.UTC(2026, 0, 5, 15) + hours * 3_600_000).toISOString();
const level = (hours: number, section: number, reached: number): LevelEvent => ({
  id: `${hours} ${section}`,
  at: at(hours),
  kind: 'level',
  studentId: 's',
  pieceId: 'p',
  sectionId: `section ${section}`,
  level: reached as Level,
  proposed: null,
  tempo: null,
  note: '',
});
const heard = fc.array(
  fc.tuple(fc.nat({ max: 2000 }), fc.nat({ max: 3 }), fc.nat({ max: 5 })).map(([h, s, l]) => level(h, s, l)),
  { minLength: 1, maxLength: 20 },
);

describe('a glance', () => {
  it('counts as due and at risk, at any time, what the standings themselves say', () => {
    fc.assert(
      fc.property(heard, fc.nat({ max: 20_000 }), (events, hours) => {
        const standings = foldStandings(events);
        const glance = glanceOf(standings, 'x');
        if (!glance) throw new Error('no glance');
        const states = standings.map((s) => dueState(s.fading, s.at, at(hours)));
        expect(dueAtAGlance(glance, at(hours))).toEqual({
          due: states.filter((s) => s !== 'fresh').length,
          atRisk: states.filter((s) => s === 'at-risk').length,
        });
        expect(glance.places).toBe(standings.length);
        expect(glance.heardAt).toBe(
          events
            .map((e) => e.at)
            .sort()
            .at(-1),
        );
      }),
    );
  });
  it('is the same after it was packed with others', () => {
    fc.assert(
      fc.property(fc.array(heard, { maxLength: 5 }), (works) => {
        const glances = works.map((events, i): Glance => {
          const glance = glanceOf(foldStandings(events.map((e) => ({ ...e, pieceId: `p${i}` }))), `stamp ${i}`);
          if (!glance) throw new Error('no glance');
          return glance;
        });
        expect(unpackGlances(packGlances('s', glances))).toEqual(glances);
      }),
    );
  });
});
