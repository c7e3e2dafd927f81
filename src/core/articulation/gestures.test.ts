import { describe, expect, it } from 'vitest';
import { countArticulations, findGestures, GESTURE_CUES } from './gestures';
import { scoreOfAbc } from '../studio/abc-for-tests';

const scoreOf = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${music} |`);
const kinds = (music: string): string[] => findGestures(scoreOf(music), 'keyboard').map((g) => `${g.kind} ${g.noteId}`);

// Handbook chapter 6 [common practice].
describe('gestures', () => {
  it('a slur over two notes is down and up', () => {
    expect(kinds('(CD) E F')).toEqual(['two-note-slur p1-b1-n1']);
    expect(findGestures(scoreOf('(CD) E F'), 'keyboard')[0]?.cue).toBe('down and up with the wrist');
  });
  it('a slur over three is none', () => expect(kinds('(CDE) F')).toEqual([]));
  it('staccato notes that lead into a downbeat', () =>
    expect(kinds('C .D .E .F | G4')).toEqual(['staccato-run p1-b1-n2']));
  it('accents, sforzandi and wedges', () =>
    expect(kinds('!accent!C D !sfz!E !wedge!F')).toEqual(['accent p1-b1-n1', 'sforzando p1-b1-n3', 'wedge p1-b1-n4']));
  it('full chords played softly, with the tune on top', () =>
    expect(kinds('!p![CEG]4')).toEqual(['soft-chord p1-b1-n1', 'voicing p1-b1-n3']));
  it('are said once, not at every note', () =>
    expect(kinds('(CD) (EF) | (GA) (Bc)').filter((k) => k.startsWith('two'))).toHaveLength(1));
  it('have a word for every family', () => {
    for (const cues of Object.values(GESTURE_CUES))
      for (const cue of Object.values(cues)) expect(cue.length).toBeGreaterThan(5);
  });
  it('counts what is printed', () =>
    expect(countArticulations(scoreOf('.C .D (E F)'), 0, 0)).toEqual([
      { sign: 'staccato', times: 2 },
      { sign: 'slur', times: 1 },
    ]));
});
