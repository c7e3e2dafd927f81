import { describe, expect, it } from 'vitest';
import { openAbc, type Mark } from '@/core/studio';
import { ownTexts } from '@/marked';
import type { Marking } from '@/workers';
import { laneTexts, seen, suggestedTexts } from './lanes/lane-texts';
import { suggestionsFor, toMark } from './suggestions';
import { phraseAround } from './use-chosen-notes';

const opened = openAbc('X:1\nM:4/4\nL:1/4\nK:C\nC D E F|G A B c|', 'x.abc');
if (!opened.ok) throw new Error(opened.issue.message);
const { score } = opened.value.read;
const ids = score.notes.map((n) => n.id);
const [a = '', b = '', c = '', d = '', e = ''] = ids;
const base = { pieceId: 'p', studentId: null, source: 'teacher' as const, updatedAt: '2026-01-01T00:00:00.000Z' };

const marking = {
  dynamics: [
    { kind: 'level', noteId: a, toNoteId: null, level: 'p', reason: 'to begin with', bar: 0, onset: 0 },
    { kind: 'wedge', noteId: a, toNoteId: d, level: 'crescendo', reason: 'rises', bar: 0, onset: 0 },
    { kind: 'wedge', noteId: b, toNoteId: null, level: 'diminuendo', reason: 'no end', bar: 0, onset: 0 },
  ],
  breaths: {
    breaths: [
      { afterNoteId: d, reason: 'at the bar line', printed: false, catch: false },
      { afterNoteId: e, reason: 'printed', printed: true, catch: false },
    ],
  },
  bowing: { strokes: [{ noteIds: [a], direction: 'down', reason: 'on the beat' }] },
  phrases: [{ noteId: d, sign: ',', reason: 'half cadence' }],
  gestures: [{ noteId: b, kind: 'two-note-slur', cue: 'down and up', reason: 'a slur of two' }],
} as unknown as Marking;
const all = new Set(ids);
const suggested = (marks: readonly Mark[] = [], refused: readonly string[] = [], inside = all) =>
  suggestionsFor(marking, inside, marks, new Set(refused)).map((s) => s.key);

describe('suggestions', () => {
  it('are all that was worked out, but for what is printed and hairpins without an end', () =>
    expect(suggested()).toEqual([
      `dynamic ${a} p`,
      `wedge ${a} crescendo`,
      `breath ${d}`,
      `bow ${a} down`,
      `phrase ${d} ,`,
      `cue ${b} two-note-slur`,
    ]));
  it('do not come where they were refused, where something of the kind stands, or outside the section', () => {
    expect(suggested([], [`breath ${d}`])).not.toContain(`breath ${d}`);
    expect(suggested([{ ...base, id: 'm', kind: 'dynamic', noteId: a, level: 'f' }])).not.toContain(`dynamic ${a} p`);
    expect(suggested([{ ...base, id: 'm', kind: 'dynamic', noteId: b, level: 'f' }])).toContain(`dynamic ${a} p`);
    expect(suggested([], [], new Set([b]))).toEqual([`cue ${b} two-note-slur`]);
  });
  it('become marks of the teacher’s for everyone', () => {
    const [level] = suggestionsFor(marking, all, [], new Set());
    expect(level && toMark(level, 'p')).toEqual({
      pieceId: 'p',
      studentId: null,
      source: 'teacher',
      kind: 'dynamic',
      noteId: a,
      level: 'p',
    });
  });
});

describe('texts of a lane', () => {
  const marks: Mark[] = [
    { ...base, id: '1', kind: 'bow', noteId: a, direction: 'up' },
    { ...base, id: '2', kind: 'refused', what: 'x' },
    { ...base, id: '3', kind: 'cue', noteId: b, text: 'sing' },
  ];
  const suggestions = suggestionsFor(marking, all, [], new Set());
  const bows = (m: Mark): string | null => (m.kind === 'bow' ? m.direction : null);
  it('are what is kept and what is suggested for it', () => {
    expect(ownTexts(marks, bows)).toEqual([{ noteId: a, text: 'up', source: 'teacher' }]);
    expect(suggestedTexts(suggestions, 'dynamic').map((t) => t.text)).toEqual(['p', 'cresc.']);
    expect(suggestedTexts(suggestions, 'dynamic', 'wedge').map((t) => t.text)).toEqual(['cresc.']);
    expect(laneTexts({ marks, suggestions }, 'bow', bows).map((t) => [t.text, t.source])).toEqual([
      ['up', 'teacher'],
      ['⊓', 'suggested'],
    ]);
  });
  it('are seen by where they come from', () => {
    const texts = laneTexts({ marks, suggestions }, 'bow', bows);
    expect(seen(texts, { shownSource: 'all' })).toHaveLength(2);
    expect(seen(texts, { shownSource: 'teacher' }).map((t) => t.text)).toEqual(['up']);
    expect(seen(texts, { shownSource: 'printed' })).toEqual([]);
  });
});

describe('the phrase around a note', () => {
  const around = (id: string, ends: readonly string[]) => {
    const note = score.notes.find((n) => n.id === id);
    return note ? phraseAround(note, score.notes, score, ends)?.map((n) => n.id) : null;
  };
  it('goes from after the end before it to the next end', () => {
    expect(around(b, [d])).toEqual([a, d]);
    expect(around(d, [d])).toEqual([a, d]);
    expect(around(e, [d])).toEqual([e, ids[7]]);
    expect(around(c, [b, e])).toEqual([c, e]);
    expect(around(c, [])).toEqual([a, ids[7]]);
  });
});
