// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState, type ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { forgetStudios, ownDatabase, OwnStudio } from '@/store/own-studio-for-tests';
import { KeptField } from './kept-field';

/** A field with a store that may refuse; what was stored is listed. */
function Cue({ refuses = false, rows }: { readonly refuses?: boolean; readonly rows?: number }): ReactNode {
  const [kept, setKept] = useState('sing');
  const [stored, setStored] = useState<readonly string[]>([]);
  return (
    <>
      <KeptField
        label="Cue"
        draftKey="cue n1"
        value={kept}
        accepts={(text) => text.trim() !== ''}
        {...(rows === undefined ? {} : { rows })}
        onKeep={(text, settle) => {
          setStored((before) => [...before, text]);
          if (refuses) return;
          setKept(text);
          settle();
        }}
      />
      <p>stored: {stored.join(', ')}</p>
      <button type="button" onClick={() => setKept('changed elsewhere')}>
        Elsewhere
      </button>
    </>
  );
}
const show = async (cue: ReactNode): Promise<HTMLElement> => {
  render(<OwnStudio>{cue}</OwnStudio>);
  return screen.findByLabelText('Cue');
};
const draft = async (): Promise<unknown> => {
  const db = await ownDatabase();
  const value = (await db.drafts.get('cue n1'))?.value;
  db.close();
  return value;
};

describe('a field that keeps what is typed', () => {
  beforeEach(forgetStudios);
  afterEach(cleanup);

  it('stores on Enter, without the blanks around it, and has no draft then', async () => {
    const field = await show(<Cue />);
    await userEvent.type(field, ' low {Enter}');
    expect(screen.getByText('stored: sing low')).toBeTruthy();
    expect(field).toHaveProperty('value', 'sing low');
    await waitFor(async () => expect(await draft()).toBeUndefined());
  });
  it('has what was typed again after it was left without Enter and the page was opened anew', async () => {
    const field = await show(<Cue refuses />);
    await userEvent.type(field, ' louder');
    await waitFor(async () => expect(await draft()).toBe('sing louder'));
    cleanup();
    const again = await show(<Cue refuses />);
    await waitFor(() => expect(again).toHaveProperty('value', 'sing louder'));
  });
  it('stores when it is left', async () => {
    const field = await show(<Cue />);
    await userEvent.type(field, '!');
    await userEvent.tab();
    expect(screen.getByText('stored: sing!')).toBeTruthy();
  });
  it('goes back to what is stored on Escape', async () => {
    const field = await show(<Cue />);
    await userEvent.type(field, ' wrong{Escape}');
    expect(field).toHaveProperty('value', 'sing');
    expect(screen.getByText('stored:')).toBeTruthy();
    await waitFor(async () => expect(await draft()).toBeUndefined());
  });
  it('keeps what is refused in the field, and stores it once it is not refused', async () => {
    const field = await show(<Cue refuses />);
    await userEvent.type(field, ' on{Enter}');
    expect(field).toHaveProperty('value', 'sing on');
    await waitFor(async () => expect(await draft()).toBe('sing on'));
  });
  it('stores nothing where nothing changed, or where the text is none', async () => {
    const field = await show(<Cue />);
    await userEvent.type(field, '{Enter}');
    await userEvent.clear(field);
    await userEvent.type(field, '{Enter}');
    expect(screen.getByText('stored:')).toBeTruthy();
    expect(field).toHaveProperty('value', 'sing');
  });
  it('shows what changed elsewhere while nothing is typed, and what is typed while something is', async () => {
    const field = await show(<Cue />);
    await userEvent.click(screen.getByText('Elsewhere'));
    expect(field).toHaveProperty('value', 'changed elsewhere');
    await userEvent.type(field, '…');
    expect(field).toHaveProperty('value', 'changed elsewhere…');
  });
  it('of several lines takes Enter as a new line and stores with Ctrl Enter', async () => {
    const field = await show(<Cue rows={3} />);
    await userEvent.type(field, '{Enter}two');
    expect(screen.getByText('stored:')).toBeTruthy();
    await userEvent.keyboard('{Control>}{Enter}{/Control}');
    expect(screen.getByText(/stored: sing\s+two/)).toBeTruthy();
  });
});
