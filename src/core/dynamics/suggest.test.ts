import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LEVELS, printedDynamics, suggestDynamics } from './suggest';
import { scoreOfAbc } from '../studio/abc-for-tests';

const scoreOf = (music: string, name = 'Violin', key = 'C') =>
  scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=90\nV:1 clef=treble name="${name}"\nK:${key}\nV:1\n${music}\n`);
const reasons = (music: string, name?: string): string[] =>
  suggestDynamics(scoreOf(music, name)).map((s) => `${s.level}: ${s.reason}`);

// Handbook chapter 6, rules of thumb [common practice].
describe('suggested dynamics', () => {
  it('begin with a level where none is printed', () =>
    expect(reasons('C D E F | G2 E2 | C D E F | G4 |')[0]).toBe('mf: a level to begin with'));
  it('make a phrase that comes again at once an echo', () => {
    const echo = reasons('!f!c d e f | g2 e2 | d c B c | c4 | c d e f | g2 e2 | d c B c | c4 |').find((r) =>
      r.includes('echo'),
    );
    expect(echo).toMatch(/^mf: an echo of bars 1–4/);
  });
  it('grow with a rising line and fade with a falling one', () => {
    const line = reasons('!mf!C D E F | G A B c | B A G F | E D C2 |');
    expect(line.some((r) => r.startsWith('crescendo: the line rises'))).toBe(true);
    expect(line.some((r) => r.startsWith('diminuendo:'))).toBe(true);
  });
  it('give more in the weak register of a flute, and not of a violin', () => {
    const low = 'D E D C | D E F2 | D C D E | D4 |';
    expect(reasons(low, 'Flute')).toContain('f: the low register is weak: a step more');
    expect(reasons(low, 'Violin').join()).not.toContain('weak');
    // One level a note, and none where the page has one.
    const levels = suggestDynamics(scoreOf(low, 'Flute')).filter((s) => s.kind === 'level');
    expect(new Set(levels.map((s) => s.noteId)).size).toBe(levels.length);
    expect(reasons(`!p!${low}`, 'Flute').join()).not.toContain('weak');
  });
  it('say nothing of what only is new, and of many quick notes once', () => {
    const quick = 'C/D/E/F/ G/A/B/c/ | d/c/B/A/ G/F/E/D/';
    const all = reasons(`C D E F | G4 | c B A G | F4 || ${quick} | ${quick} || ${quick} | e/d/c/B/ A/G/F/E/ |`);
    expect(all.join()).not.toContain('new material');
    expect(all.filter((r) => r.includes('quick notes')).length).toBeLessThanOrEqual(1);
  });
  it('never say a level that is in force already', () => {
    let force = 'none';
    for (const s of suggestDynamics(scoreOf('C D E F | G4 | c B A G | F4 | C D E F | G4 | c B A G | F4 |')))
      if (s.kind === 'level') {
        expect(s.level).not.toBe(force);
        force = s.level;
      }
  });
  it('leave what is printed alone: no level where one stands, no hairpin over one', () => {
    const score = scoreOf('!p!C D E F | !<(!G A B !<)!c | !f!c B A G | F E D C |');
    const printed = printedDynamics(score);
    expect(printed.map((p) => p.level)).toEqual(expect.arrayContaining(['p', 'crescendo', 'f']));
    for (const s of suggestDynamics(score))
      expect(printed.some((p) => p.onset === s.onset && LEVELS.some((l) => l === p.level) && s.kind === 'level')).toBe(
        false,
      );
  });
  it('all say why, stand on a note of the piece and keep between pp and ff', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('C D E F', 'G4', 'c B A G', 'E/F/G/A/ B2', 'z4', "c e g c'"), {
          minLength: 2,
          maxLength: 12,
        }),
        (bars) => {
          const score = scoreOf(`${bars.join(' | ')} |`);
          const ids = new Set(score.notes.map((n) => n.id));
          for (const s of suggestDynamics(score)) {
            expect(s.reason).not.toBe('');
            expect(ids.has(s.noteId)).toBe(true);
            if (s.kind === 'level') expect(['pp', 'p', 'mp', 'mf', 'f', 'ff']).toContain(s.level);
            else expect(ids.has(s.toNoteId ?? '')).toBe(true);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
