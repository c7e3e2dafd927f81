import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { openPiece, type OpenedPiece } from '../studio';
import { readScore } from './read-score';
import type { WrittenMark } from './marks-at-notes';
import { writeMarks } from './write-marks';

const FILES = readdirSync('tests/pieces').filter((name) => /\.(abc|musicxml)$/.test(name));
const open = async (name: string): Promise<OpenedPiece> => {
  const opened = await openPiece(readFileSync(`tests/pieces/${name}`), name);
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value;
};
const readAgain = (text: string) => {
  const again = readScore(text, 'written.xml');
  if (!again.ok) throw new Error(again.issue.message);
  return again.value.score;
};
const bare = (score: ReturnType<typeof readAgain>) =>
  score.notes.map((n) => [n.id, n.onset, n.duration, n.midi, n.tie]);

describe.each(FILES)('writing marks into %s', (name) => {
  it('with no marks gives the source back', async () => {
    const piece = await open(name);
    expect(writeMarks(piece.text, piece.read, [])).toEqual({ text: piece.text, added: 0, unplaced: [] });
  });

  it('brings every finger back, keeps those that were there, and changes no note', async () => {
    const piece = await open(name);
    const ids = piece.read.score.notes.filter((n) => !piece.read.filledFrom.has(`0 ${n.bar}`)).map((n) => n.id);
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...ids), { minLength: 1, maxLength: 12 }), (chosen) => {
        const marks = chosen.map((noteId, i) => ({
          kind: 'finger' as const,
          noteId,
          finger: String((i % 5) + 1),
        })) satisfies WrittenMark[];
        const written = writeMarks(piece.text, piece.read, marks);
        const score = readAgain(written.text);
        expect(bare(score)).toEqual(bare(piece.read.score));
        for (const mark of marks) {
          const before = piece.read.score.notes.find((n) => n.id === mark.noteId)?.marks.fingers ?? [];
          expect(score.notes.find((n) => n.id === mark.noteId)?.marks.fingers).toEqual(
            before.includes(mark.finger) ? before : [...before, mark.finger],
          );
        }
      }),
      { numRuns: 25 },
    );
  });

  it('brings dynamics, cues and breaths back at their notes, and LilyPond’s musicxml2ly accepts the file', async () => {
    const piece = await open(name);
    const note =
      piece.read.score.notes.find((n) => n.grace === null && !n.chord && n.bar > 0) ?? piece.read.score.notes[0];
    if (!note) throw new Error('no note');
    const cue = 'lean <into> it & "breathe"';
    const written = writeMarks(piece.text, piece.read, [
      { kind: 'dynamic', noteId: note.id, level: 'mf' },
      { kind: 'cue', noteId: note.id, text: cue },
      { kind: 'breath', noteId: note.id },
      { kind: 'pedal', noteId: note.id, sign: 'down' },
      { kind: 'pedal', noteId: note.id, sign: 'up' },
      { kind: 'finger', noteId: note.id, finger: '3' },
    ]);
    expect(written.added).toBe(6);
    const score = readAgain(written.text);
    expect(bare(score)).toEqual(bare(piece.read.score));
    const here = score.directions.filter((d) => d.onset === note.onset && d.part === note.part);
    expect(here.some((d) => d.kind === 'dynamic' && d.level === 'mf')).toBe(true);
    expect(here.some((d) => d.kind === 'pedal' && d.role === 'start')).toBe(true);
    expect(here.some((d) => d.kind === 'words' && d.text === cue)).toBe(true);
    expect(score.notes.find((n) => n.id === note.id)?.marks.articulations).toContain('breath-mark');
    const folder = mkdtempSync(join(tmpdir(), 'oak-'));
    writeFileSync(join(folder, 'x.xml'), written.text);
    const ly = spawnSync('musicxml2ly', ['-o', join(folder, 'x.ly'), join(folder, 'x.xml')], { encoding: 'utf8' });
    expect(ly.status, ly.stderr).toBe(0);
    expect(readFileSync(join(folder, 'x.ly'), 'utf8')).toContain('\\mf');
  });
});

it('says which marks have no note here', async () => {
  const piece = await open('ode.abc');
  expect(writeMarks(piece.text, piece.read, [{ kind: 'finger', noteId: 'gone', finger: '1' }])).toMatchObject({
    added: 0,
    unplaced: [{ noteId: 'gone' }],
  });
});

describe('a score without a header', () => {
  const note = '<note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note>';
  const part = `<part id="P1"><measure number="1"><attributes><divisions>1</divisions></attributes>${note}</measure></part>`;
  const score = (head: string) =>
    `<?xml version="1.0" encoding="UTF-8"?>\n<!-- a > sign --><score-partwise version="4.0">${head}${part}</score-partwise>`;
  it.each([
    ['nothing', '', '<score-partwise version="4.0"><identification>'],
    ['a title', '<movement-title>Lamps</movement-title>', '</movement-title><identification>'],
    ['a part list', '<part-list><score-part id="P1"><part-name>A</part-name></score-part></part-list>', '<part-list>'],
  ])('with %s keeps what is remembered inside its root, and opens again', (_, head, found) => {
    const read = readScore(score(head), 'bare.xml');
    if (!read.ok) throw new Error(read.issue.message);
    const written = writeMarks(score(head), read.value, [], 'remembered words');
    expect(written.text).toMatch(/^<\?xml/);
    expect(written.text).toContain(found);
    const again = readScore(written.text, 'again.xml');
    expect(again.ok && Object.values(again.value.miscellaneous)).toEqual(['remembered words']);
  });
});
