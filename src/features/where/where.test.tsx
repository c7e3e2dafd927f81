// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { parseBars, useWhere } from './use-where';

/** What the router says, a moment after the address was changed. */
const router = vi.hoisted(() => ({ pathname: '/marks', query: '', pushed: [] as string[] }));
vi.mock('next/navigation', () => ({
  usePathname: () => router.pathname,
  useSearchParams: () => new URLSearchParams(router.query),
  useRouter: () => ({ push: (address: string) => router.pushed.push(address) }),
}));

const at = (pathname: string, query: string) => {
  router.pathname = pathname;
  router.query = query;
  window.history.replaceState(null, '', `${pathname}${query === '' ? '' : `?${query}`}`);
  return renderHook(() => useWhere());
};

describe('bars in the address', () => {
  it.each([
    ['5-8', [4, 7]],
    ['5', [4, 4]],
    ['8-5', null],
    ['0', null],
    ['-3', null],
    ['a', null],
    ['1-2-3', null],
    ['123456', null],
    [null, null],
  ] as const)('%s', (text, bars) => expect(parseBars(text)).toEqual(bars));
});

describe('where one is', () => {
  beforeEach(() => {
    router.pushed = [];
  });
  afterEach(cleanup);

  it('is said by the address', () => {
    const { result } = at('/marks', 'piece=p&student=s&section=a&bars=5-8');
    expect(result.current).toMatchObject({
      stage: 'marks',
      pieceId: 'p',
      studentId: 's',
      sectionId: 'a',
      bars: [4, 7],
    });
    expect(at('/', '').result.current).toMatchObject({ stage: 'shelf', pieceId: null, bars: null });
    expect(at('/nowhere', '').result.current.stage).toBe('shelf');
  });
  it('is, for fast keys, what was chosen last, before the router knows it', () => {
    const hook = at('/marks', 'piece=p&bars=1');
    act(() => hook.result.current.change({ bars: [1, 1] }));
    expect(hook.result.current.bars).toEqual([1, 1]);
    act(() => hook.result.current.change({ bars: [2, 2] }));
    expect(hook.result.current.bars).toEqual([2, 2]);
    expect(window.location.search).toBe('?piece=p&bars=3');
    // The router comes after; then it is the one that says it.
    router.query = 'piece=p&bars=3';
    hook.rerender();
    router.query = 'piece=p&bars=7';
    hook.rerender();
    expect(hook.result.current.bars).toEqual([6, 6]);
  });
  it('goes back with the browser, whatever was chosen meanwhile', () => {
    const hook = at('/marks', 'piece=p&bars=1');
    act(() => hook.result.current.change({ bars: [4, 4] }));
    act(() => {
      window.dispatchEvent(new PopStateEvent('popstate'));
    });
    expect(hook.result.current.bars).toEqual([0, 0]);
  });
  it('keeps the student with another piece, not the bars and the section', () => {
    const { result } = at('/lesson', 'piece=p&student=s&section=a&bars=5-8');
    expect(result.current.addressOf('lesson', { pieceId: 'q' })).toBe('/lesson?piece=q&student=s');
    expect(result.current.addressOf('marks', { pieceId: 'q', bars: [0, 0] })).toBe('/marks?piece=q&student=s&bars=1');
    expect(result.current.addressOf('marks', { pieceId: 'p' })).toBe('/marks?piece=p&student=s&section=a&bars=5-8');
    expect(result.current.addressOf('board', { pieceId: null, studentId: null })).toBe('/board');
  });
  it('goes to a stage with who and what', () => {
    const { result } = at('/marks', 'piece=p&student=s');
    act(() => result.current.go('ladder', { sectionId: 'a' }));
    expect(router.pushed).toEqual(['/ladder?piece=p&student=s&section=a']);
  });
});
