// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { toast, Toaster } from 'sonner';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { addStudent, changeStudent } from '@/core/commands';
import { fail, ok } from '@/core/result';
import { forgetStudios, ownDatabase, OwnStudio } from '@/store/own-studio-for-tests';
import { ProblemBoundary } from './problem-boundary';
import { useActs, type Acts } from './use-acts';

/** A button that does one thing. */
function Does({ what }: { readonly what: (acts: Acts) => void }): ReactNode {
  const acts = useActs();
  return (
    <button type="button" onClick={() => what(acts)}>
      Do it
    </button>
  );
}
const press = async (what: (acts: Acts) => void): Promise<void> => {
  render(
    <OwnStudio>
      <Does what={what} />
      <Toaster />
    </OwnStudio>,
  );
  await userEvent.click(await screen.findByText('Do it'));
};

describe('doing things', () => {
  // The toasts ask how the reader wants things moved.
  beforeEach(async () => {
    window.matchMedia = vi.fn().mockReturnValue({ matches: false, addEventListener: vi.fn(), addListener: vi.fn() });
    await forgetStudios();
  });
  afterEach(cleanup);

  it('tells that something was done when it is stored, not before', async () => {
    const seen: (number | string)[] = [];
    await press((acts) =>
      acts.run(
        addStudent,
        { name: 'Ottilie', instrument: 'piano' },
        {
          stored: () => {
            ownDatabase()
              .then(async (db) => {
                seen.push(await db.students.count());
                db.close();
              })
              .catch((error: unknown) => seen.push(String(error)));
          },
        },
      ),
    );
    await waitFor(() => expect(seen).toEqual([1]));
  });
  it('shows why something was refused, and tells whoever began it', async () => {
    const refused = vi.fn();
    const stored = vi.fn();
    await press((acts) =>
      acts.run(changeStudent, { studentId: 'nobody', change: { name: 'X' }, label: 'Name' }, { refused, stored }),
    );
    await waitFor(() => expect(refused).toHaveBeenCalledOnce());
    expect(stored).not.toHaveBeenCalled();
    const [issue] = refused.mock.calls[0] as [{ message: string }];
    expect(await screen.findByText(issue.message)).toBeTruthy();
  });
  it('shows a failure that comes back', async () => {
    await press((acts) => acts.act(() => Promise.resolve(fail('mine', 'The page could not be turned.'))));
    expect(await screen.findByText('The page could not be turned.')).toBeTruthy();
  });
  it('shows a failure that is thrown', async () => {
    await press((acts) => acts.act(() => Promise.reject(Object.assign(new Error(), { name: 'QuotaExceededError' }))));
    expect(await screen.findByText(/no room left, so this was not stored/)).toBeTruthy();
  });
  it('says nothing of what went well by itself', async () => {
    const before = toast.getHistory().length;
    const done = vi.fn(() => Promise.resolve(ok(null)));
    await press((acts) => acts.act(done));
    await waitFor(() => expect(done).toHaveBeenCalledOnce());
    expect(toast.getHistory()).toHaveLength(before);
  });
});

describe('a screen that fails', () => {
  afterEach(cleanup);
  let breaks = true;
  function Screen(): ReactNode {
    if (breaks) throw new Error('bar 0 is not there');
    return <p>the music</p>;
  }
  it('says what happened and that nothing is lost, keeps the ways out, and can be tried again', async () => {
    const quiet = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    breaks = true;
    render(
      <ProblemBoundary what="Marks" waysOut={<button type="button">Save the studio file</button>}>
        <Screen />
      </ProblemBoundary>,
    );
    expect(screen.getByRole('alert').textContent).toContain('What you recorded is stored');
    expect(screen.getByRole('alert').textContent).toContain('bar 0 is not there');
    expect(screen.getByText('Marks cannot be shown')).toBeTruthy();
    expect(screen.getByText('Save the studio file')).toBeTruthy();
    await userEvent.click(screen.getByText('Try again'));
    expect(screen.getByRole('alert')).toBeTruthy();
    breaks = false;
    await userEvent.click(screen.getByText('Try again'));
    expect(screen.getByText('the music')).toBeTruthy();
    quiet.mockRestore();
  });
});
