// @vitest-environment jsdom
import { act, cleanup, render, renderHook, screen, waitFor } from '@testing-library/react';
import { useEffect, useLayoutEffect, type ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { fail, ok, type Result } from '@/core/result';
import type { Score } from '@/core/score';
import type { Piece } from '@/core/studio';
import { scoreOfAbc } from '@/core/studio/abc-for-tests';
import { recentlyUsed, useRemembered } from './recently-used';
import { useScore, useScores } from './use-score';

/** Scores on their way from the worker: what was asked for, and how each is answered. */
const worker = vi.hoisted(() => ({ asked: [] as string[], answers: [] as ((result: unknown) => void)[] }));
vi.mock('@/workers', () => ({
  loadScore: (loaded: { key: string }) => {
    worker.asked.push(loaded.key);
    return new Promise((resolve) => worker.answers.push(resolve));
  },
}));
const answer = async (result: Result<Score>): Promise<void> => {
  await act(async () => {
    worker.answers.shift()?.(result);
    await Promise.resolve();
  });
};

const SCORE = scoreOfAbc('X:1\nM:4/4\nL:1/4\nK:C\nC D E F|');
let pieces = 0;
/** A piece that no test before has read. */
const piece = (): Piece => ({
  id: `p${(pieces += 1)}`,
  title: 'Air',
  composer: '',
  format: 'abc',
  fileName: 'air.abc',
  source: '<score-partwise/>',
  encoding: 'utf-8',
  bom: false,
  original: null,
  instrument: 'piano',
  targetTempo: null,
  addedAt: '2026-05-20T15:00:00.000Z',
  updatedAt: '2026-05-20T15:00:00.000Z',
});
const Bars = ({ of }: { readonly of: Piece }): ReactNode => {
  const state = useScore(of);
  return <p>{state.kind === 'ready' ? `${state.score.bars.length} bar` : state.kind}</p>;
};

describe('the score of a piece on screen', () => {
  beforeEach(() => {
    worker.asked = [];
    worker.answers = [];
  });
  afterEach(cleanup);

  it('is on its way, then there; another screen has it at once', async () => {
    const air = piece();
    render(<Bars of={air} />);
    expect(screen.getByText('loading')).toBeTruthy();
    await answer(ok(SCORE));
    expect(screen.getByText('1 bar')).toBeTruthy();
    cleanup();
    render(<Bars of={air} />);
    expect(screen.getByText('1 bar')).toBeTruthy();
    expect(worker.asked).toHaveLength(1);
  });
  it('that cannot be read says why, and not of another piece', async () => {
    const { result, rerender } = renderHook(({ of }: { of: Piece }) => useScore(of), { initialProps: { of: piece() } });
    await answer(fail('broken', 'Bar 3 cannot be read.'));
    expect(result.current).toMatchObject({ kind: 'failed', issue: { message: 'Bar 3 cannot be read.' } });
    rerender({ of: piece() });
    expect(result.current).toEqual({ kind: 'loading' });
  });
  it('that comes after another piece was chosen does not stand for that one', async () => {
    const first = piece();
    const { result, rerender } = renderHook(({ of }: { of: Piece }) => useScore(of), { initialProps: { of: first } });
    rerender({ of: piece() });
    await answer(ok(SCORE));
    expect(result.current).toEqual({ kind: 'loading' });
    rerender({ of: first });
    expect(result.current.kind).toBe('ready');
  });
  it('of several pieces come in one after the other', async () => {
    const two = [piece(), piece()];
    const { result } = renderHook(() => useScores(two));
    expect([...result.current.scores.keys()]).toEqual([]);
    await answer(ok(SCORE));
    expect([...result.current.scores.keys()]).toEqual([two[0]?.id]);
    // What is worked out of both waits for the other.
    expect(result.current.pending).toBe(true);
    await waitFor(() => expect(worker.answers).toHaveLength(1));
    await answer(ok(SCORE));
    expect(result.current.scores.size).toBe(2);
    expect(result.current.pending).toBe(false);
  });
  it('of several pieces are said to be missing where they cannot be read', async () => {
    const two = [piece(), piece()];
    const { result } = renderHook(() => useScores(two));
    await answer(fail('not-xml', 'It is cut off.'));
    await waitFor(() => expect(worker.answers).toHaveLength(1));
    await answer(ok(SCORE));
    expect([...result.current.unread]).toMatchObject([[two[0]?.id, { message: 'It is cut off.' }]]);
    expect(result.current.pending).toBe(false);
  });
});

describe('what a memory holds, on screen', () => {
  afterEach(cleanup);
  const memory = recentlyUsed<string>(2);
  const Shown = ({ of }: { readonly of: string | null }): ReactNode => <p>{useRemembered(memory, of) ?? 'nothing'}</p>;
  /** Puts something in between a drawing and what follows it, as another screen may. */
  function Meanwhile({ at }: { readonly at: 'layout' | 'effect' }): ReactNode {
    useLayoutEffect(() => {
      if (at === 'layout') memory.put('early', 'read before the asking');
    }, [at]);
    useEffect(() => {
      if (at === 'effect') memory.put('late', 'read after the asking');
    }, [at]);
    return null;
  }

  it('is shown whoever put it in: before this screen asked for it, and after', () => {
    render(
      <>
        <Shown of="early" />
        <Meanwhile at="layout" />
      </>,
    );
    expect(screen.getByText('read before the asking')).toBeTruthy();
    render(
      <>
        <Shown of="late" />
        <Meanwhile at="effect" />
      </>,
    );
    expect(screen.getByText('read after the asking')).toBeTruthy();
  });
  it('is nothing under no key', () => {
    render(<Shown of={null} />);
    expect(screen.getByText('nothing')).toBeTruthy();
  });
  it('tells of what is put in, not of what is used, and no longer than it is asked to', () => {
    const listener = vi.fn();
    const end = memory.subscribe(listener);
    const before = memory.puts();
    memory.put('a', 'x');
    memory.get('a');
    expect([listener.mock.calls.length, memory.puts() - before]).toEqual([1, 1]);
    end();
    memory.put('b', 'y');
    expect(listener).toHaveBeenCalledTimes(1);
  });
});
