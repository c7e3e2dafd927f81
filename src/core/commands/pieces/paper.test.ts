import { describe, expect, it } from 'vitest';
import { parseGrid } from '../../bargrid';
import { addBarLine, barOrder, moveBarLine, removePage, type Paper } from '../../paper';
import { EIGHT_ON_A_PAGE as EIGHT, pageOfBars } from '../../paper/paper-for-tests';
import { readScore } from '../../musicxml';
import type { Layout, Mark } from '../../studio';
import { does, piece, puts, refusal, removes, runOn, section } from '../stored-for-tests';
import { movePencil } from '../marks/move-pencil';
import { bringInPages } from './bring-in-pages';
import { changePaper } from './change-paper';

const AT = '2026-05-20T15:00:00.000Z';
const picture = { id: 'a', name: 'page.jpg', type: 'image/png', data: 'AA' } as const;
const layouts: readonly Layout[] = EIGHT.layouts.map((l) => ({ ...l, updatedAt: AT }));
const stored = { pieces: [piece({ format: 'grid', original: JSON.stringify(EIGHT.grid) })], layouts };

const barsIn = (source: string): readonly string[] => {
  const read = readScore(source, 'x');
  if (!read.ok) throw new Error(read.issue.message);
  return read.value.score.bars.map((b) => b.id);
};

describe('pages that are brought in', () => {
  const outcome = does(bringInPages, {}, { pieceId: 'p', paper: EIGHT, pictures: [picture], fileName: 'page.jpg' });
  it('are a piece with its bars, the picture, and where the bars lie', () => {
    const [made] = puts(outcome, 'pieces');
    expect(made).toMatchObject({ id: 'p', format: 'grid', title: 'Air' });
    expect(barsIn(String(made?.['source']))).toEqual(barOrder(EIGHT));
    expect(puts(outcome, 'pages')).toMatchObject([{ id: 'a', pieceId: 'p', order: 1 }]);
    expect(puts(outcome, 'layouts')).toEqual(EIGHT.layouts);
    expect(outcome.says).toBe('Air is on the shelf: 8 bars on one page.');
  });
});

describe('bars that are changed on their page', () => {
  const edit = (paper: Paper) => addBarLine(paper, { page: 'a', system: 0 }, 400);
  it('change the document, where they lie, and the sections that ended there, in one step', () => {
    const outcome = does(
      changePaper,
      { ...stored, sections: [section('s', 0, 0, { fromBar: 'g1', toBar: 'g4' })] },
      { pieceId: 'p', edit, label: 'bar line put in' },
    );
    const [changed] = puts(outcome, 'pieces');
    expect(barsIn(String(changed?.['source']))).toEqual(['g1', 'g2', 'g3', 'g4', 'g9', 'g5', 'g6', 'g7', 'g8']);
    expect(parseGrid(String(changed?.['original']))).toMatchObject({ made: 9, laid: 1 });
    expect(puts(outcome, 'sections')).toMatchObject([{ id: 's', toBar: 'g9' }]);
  });
  it('are seen anew where only a line was moved', () => {
    const outcome = does(changePaper, stored, {
      pieceId: 'p',
      edit: (paper) => moveBarLine(paper, { page: 'a', system: 0, box: 0 }, 130),
      label: 'bar line moved',
    });
    expect(parseGrid(String(puts(outcome, 'pieces')[0]?.['original']))).toMatchObject({ laid: 1 });
  });
  it('lose their picture with their page', () => {
    const two = [...layouts, { ...pageOfBars('b', [2], 20, 2), updatedAt: AT }];
    const outcome = does(
      changePaper,
      { ...stored, layouts: two },
      { pieceId: 'p', edit: (paper) => removePage(paper, 'b'), label: 'page 2 taken away' },
    );
    expect([removes(outcome, 'layouts'), removes(outcome, 'pages')]).toEqual([['b'], ['b']]);
  });
  it('leave a score that was laid over them as it is', () => {
    const over = [piece({ format: 'musicxml', source: '<score/>', original: JSON.stringify(EIGHT.grid) })];
    const outcome = does(changePaper, { ...stored, pieces: over }, { pieceId: 'p', edit, label: 'x' });
    expect(puts(outcome, 'pieces')).toMatchObject([{ source: '<score/>' }]);
  });
  it('say why not where they cannot be', () => {
    const narrow = (paper: Paper) => addBarLine(paper, { page: 'a', system: 0 }, 51);
    expect(refusal(runOn(changePaper, stored, { pieceId: 'p', edit: narrow, label: 'x' }))).toBe('paper-too-narrow');
    expect(refusal(runOn(changePaper, {}, { pieceId: 'p', edit, label: 'x' }))).toBe('gone');
    const broken = { ...stored, pieces: [piece({ format: 'grid', original: '{}' })] };
    expect(refusal(runOn(changePaper, broken, { pieceId: 'p', edit, label: 'x' }))).toBe('grid-broken');
  });
});

describe('what is written in pencil', () => {
  const mark: Mark = {
    id: 'pencil~p~g1~above~50~',
    kind: 'pencil',
    pieceId: 'p',
    studentId: null,
    source: 'teacher',
    barId: 'g1',
    at: 0.25,
    side: 'above',
    role: 'finger',
    text: '3',
    updatedAt: AT,
  };
  it('goes to another place in one step', () => {
    const place = { barId: 'g2', at: 0.5, side: 'below' } as const;
    const outcome = does(movePencil, { marks: [mark] }, { markId: mark.id, place });
    expect(removes(outcome, 'marks')).toEqual([mark.id]);
    expect(puts(outcome, 'marks')).toMatchObject([{ ...place, text: '3', id: 'pencil~p~g2~below~100~' }]);
    expect(refusal(runOn(movePencil, {}, { markId: 'x', place }))).toBe('gone');
  });
});
