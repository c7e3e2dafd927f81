import { describe, expect, it } from 'vitest';
import { analysisOf } from '../../analysis';
import {
  ladderFor,
  ladderId,
  ladderPlayer,
  markId,
  USUAL_TEACHING,
  type FingerMark,
  type Ladder,
  type Piece,
} from '../../studio';
import { buildLadders } from '../ladder/build-ladders';
import { changeRungs } from '../ladder/change-rungs';
import {
  does,
  nothing,
  piece,
  puts,
  refusal,
  removes,
  runOn,
  scoreOf,
  student,
  type TestStored,
} from '../stored-for-tests';
import { changePiece } from './change-piece';
import { setPlayer, type SetPlayer } from './set-player';

const AT = '2026-05-20T15:00:00.000Z';
const SONG = scoreOf(
  'X:1\nM:4/4\nL:1/4\nV:1 name="Voice"\nV:2 name="Violin"\nK:C\n[V:1] z4 | z4 | C D E F | G4 |]\n[V:2] C D E F | G A B c | c4 | G4 |]',
);
const finger = (noteId: string, more: Partial<FingerMark> = {}): FingerMark => {
  const mark = {
    pieceId: 'p',
    studentId: null,
    source: 'teacher',
    kind: 'finger',
    noteId,
    finger: '2',
    ...more,
  } as const;
  return { ...mark, id: markId(mark), updatedAt: AT };
};
const section = {
  id: 's',
  pieceId: 'p',
  name: '',
  letter: 'A',
  fromBar: SONG.bars[0]?.id ?? '',
  toBar: SONG.bars[3]?.id ?? '',
  fromOffset: '0',
  toOffset: null,
  parentId: null,
  likeId: null,
  hand: 'all',
  order: 0,
  updatedAt: AT,
} as const;
const ladder = (more: Partial<Ladder> = {}): Ladder => ({
  id: ladderId('s', more.player),
  sectionId: 's',
  pieceId: 'p',
  rungs: [],
  updatedAt: AT,
  ...more,
});
const set = (stored: Partial<TestStored>, more: Partial<SetPlayer> = {}) =>
  does(
    setPlayer,
    { ...nothing, ...stored },
    {
      pieceId: 'p',
      studentId: null,
      player: { parts: ['P2'], instrument: 'violin' },
      score: SONG,
      ...more,
    },
  );
const VOICE = piece({ instrument: 'voice' });

describe('whose part it is', () => {
  it('is set for everyone, with its instrument', () => {
    const done = set({ pieces: [VOICE] });
    expect(puts(done, 'pieces')).toMatchObject([{ instrument: 'violin', player: { parts: ['P2'] } }]);
    expect(done.label).toBe('Piece: Violin, violin');
    expect(puts(set({ pieces: [VOICE] }, { instrument: 'my old fiddle' }), 'pieces')).toMatchObject([
      { instrument: 'violin', instrumentWords: 'my old fiddle' },
    ]);
  });
  it('is set for one student, and taken back', () => {
    const own = set({ pieces: [VOICE], students: [student('w')] }, { studentId: 'w' });
    expect(puts(own, 'students')).toMatchObject([{ players: { p: { parts: ['P2'], instrument: 'violin' } } }]);
    expect(puts(own, 'pieces')).toEqual([]);
    const back = set(
      { pieces: [VOICE], students: [student('w', { players: { p: { parts: ['P2'] }, q: { parts: ['P1'] } } })] },
      { studentId: 'w', player: null },
    );
    expect(puts(back, 'students')).toMatchObject([{ players: { q: { parts: ['P1'] } } }]);
    expect(puts(back, 'students')[0]?.['players']).not.toHaveProperty('p');
  });
  it('is refused where piece or student is gone', () => {
    const args = { pieceId: 'p', studentId: 'w', player: { parts: ['P1'] }, score: SONG };
    expect(refusal(runOn(setPlayer, nothing, args))).toBe('gone');
    expect(refusal(runOn(setPlayer, { pieces: [VOICE] }, args))).toBe('gone');
    expect(refusal(runOn(setPlayer, { pieces: [VOICE] }, { ...args, studentId: null, player: null }))).toBe('gone');
  });
});

describe('what was made for another', () => {
  it('instrument is put aside, and comes back with it', () => {
    const made = finger('n1');
    const done = set({ pieces: [VOICE], marks: [made] });
    const [aside] = puts(done, 'marks');
    expect(removes(done, 'marks')).toEqual([made.id]);
    expect(aside).toMatchObject({ noteId: 'n1', instrument: 'voice' });
    expect(aside?.['id']).not.toBe(made.id);
    expect(done.says).toBe('1 finger for the voice put aside.');
    const again = does(
      changePiece,
      { pieces: [piece({ instrument: 'violin' })], marks: [finger('n1', { instrument: 'voice' }), finger('n1')] },
      { pieceId: 'p', change: { instrument: 'voice' }, label: 'x' },
    );
    const marks = puts(again, 'marks');
    expect(marks).toHaveLength(2);
    expect(marks.find((m) => m['id'] === made.id)).not.toHaveProperty('instrument');
    expect(marks.find((m) => m['id'] !== made.id)).toMatchObject({ instrument: 'violin' });
  });
  it('player is kept under that player’s name', () => {
    const done = set({ pieces: [VOICE], ladders: [ladder(), ladder({ player: 'P2', removed: ['tap'] })] });
    const rows = puts(done, 'ladders') as unknown as Ladder[];
    expect(ladderFor(rows, 's', undefined)).toMatchObject({ id: ladderId('s'), removed: ['tap'] });
    expect(ladderFor(rows, 's', 'P1')).toMatchObject({ id: ladderId('s', 'P1') });
    expect([...removes(done, 'ladders')].sort()).toEqual([ladderId('s'), ladderId('s', 'P2')].sort());
  });
  it('of the same part and instrument stays as it is', () => {
    const done = set(
      { pieces: [VOICE], marks: [finger('n1')], ladders: [ladder()] },
      { player: { parts: ['P1'], instrument: 'voice' } },
    );
    expect([puts(done, 'marks'), puts(done, 'ladders'), removes(done, 'ladders')]).toEqual([[], [], []]);
  });
});

describe('the ladder of a student’s own part', () => {
  const own = student('w', { players: { p: { parts: ['P1'], instrument: 'voice' } } });
  const violin: Piece = piece({ instrument: 'violin', player: { parts: ['P2'] } });
  const setting = { pieceId: 'p', score: SONG, teaching: USUAL_TEACHING, level: 'intermediate' as const };
  it('is built beside the usual one, from that part: its rest is counted', () => {
    const stored = { pieces: [violin], sections: [section], ladders: [ladder()] };
    const built = does(buildLadders, stored, {
      ...setting,
      student: own,
      sectionIds: ['s'],
    });
    const [row] = puts(built, 'ladders') as unknown as Ladder[];
    expect(row).toMatchObject({ id: ladderId('s', 'P1'), player: 'P1' });
    expect(row?.rungs.map((r) => r.what)).toContain('Count 2 bars of rest aloud, then come in at bar 3');
    expect(row?.rungs.find((r) => r.what.startsWith('Count 2'))?.why).toBe('before it, listen for Violin: G A B C');
    expect(row?.rungs.some((r) => r.what.startsWith('With the partner'))).toBe(true);
    expect(ladderPlayer(violin, own)).toBe('P1');
    expect(ladderPlayer(violin, student('x'))).toBeUndefined();
  });
  it('is changed by itself', () => {
    const rung = {
      id: 'r',
      kind: 'own',
      what: 'x',
      hands: '',
      tempo: null,
      tempoTo: null,
      times: 1,
      done: '',
      why: '',
      own: true,
    } as const;
    const done = does(
      changeRungs,
      { sections: [section], ladders: [ladder(), ladder({ player: 'P1', rungs: [rung] })] },
      { pieceId: 'p', sectionId: 's', player: 'P1', edit: { kind: 'remove', id: 'r' } },
    );
    expect(puts(done, 'ladders')).toMatchObject([{ player: 'P1', rungs: [] }]);
  });
  it('asks nothing of the usual player’s corners', () => {
    expect(analysisOf(SONG, { parts: ['P1'] }).entries).toHaveLength(1);
    expect(analysisOf(SONG, { parts: ['P2'] }).entries).toEqual([]);
  });
});
