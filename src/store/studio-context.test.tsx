// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import Dexie from 'dexie';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { addStudent } from '@/core/commands';
import { ok, type Result } from '@/core/result';
import { emptyStudio, madeRow, type Studio } from '@/core/studio';
import { databaseName, StudioDatabase } from './database';
import { forgetStudios, NOW, ownDatabase, OwnStudio } from './own-studio-for-tests';
import { useSettings, useStudents, useUndoLabels } from './queries';
import { StudioProvider, useStudio } from './studio-context';
import { fillStudio } from './studio-data';

const demo: Studio = {
  ...emptyStudio(),
  pieces: [
    madeRow(
      {
        id: 'demo-air',
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
        addedAt: NOW,
      },
      NOW,
    ),
  ],
};

/** Everything of a studio that the tests look at, and buttons for what they do. */
function Room(): ReactNode {
  const studio = useStudio();
  const students = useStudents();
  const labels = useUndoLabels();
  const settings = useSettings();
  const does = (what: () => Promise<unknown>) => () => {
    what().catch((error: unknown) => {
      throw error;
    });
  };
  return (
    <>
      <h1>{studio.name}</h1>
      <p>students: {students?.map((s) => s.name).join(', ')}</p>
      <p>undo: {labels?.undo ?? 'nothing'}</p>
      <p>redo: {labels?.redo ?? 'nothing'}</p>
      <p>zone kept: {settings?.zone}</p>
      <p>today: {studio.today()}</p>
      <button type="button" onClick={does(() => studio.run(addStudent, { name: 'Ottilie', instrument: 'piano' }))}>
        Add
      </button>
      <button type="button" onClick={does(studio.undo)}>
        Undo
      </button>
      <button type="button" onClick={does(studio.redo)}>
        Redo
      </button>
      <button type="button" onClick={does(studio.removeDemo)}>
        Remove the demo
      </button>
      <button type="button" onClick={does(studio.bringBackDemo)}>
        Bring it back
      </button>
    </>
  );
}
async function fillDemo(database: string): Promise<Result<null>> {
  const db = new StudioDatabase(database);
  await fillStudio(db, demo);
  db.close();
  return ok(null);
}
const first = () =>
  render(
    <StudioProvider
      startWithDemo
      fixedNow={NOW}
      waiting={<p>Opening…</p>}
      failed={({ message }) => <p role="alert">{message}</p>}
      fillDemo={fillDemo}
    >
      <Room />
    </StudioProvider>,
  );
const click = (name: string) => userEvent.click(screen.getByText(name));

describe('the studio of this browser', () => {
  beforeEach(forgetStudios);
  afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
  });

  it('is the teacher’s own where no demo is wanted; its zone is kept', async () => {
    render(
      <OwnStudio>
        <Room />
      </OwnStudio>,
    );
    expect(await screen.findByRole('heading', { name: 'own' })).toBeTruthy();
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    expect(await screen.findByText(`zone kept: ${zone}`)).toBeTruthy();
    expect(screen.getByText('today: 2026-05-20')).toBeTruthy();
  });
  it('shows what is stored as soon as it is, and what can be undone', async () => {
    render(
      <OwnStudio>
        <Room />
      </OwnStudio>,
    );
    await screen.findByText('students:');
    await click('Add');
    expect(await screen.findByText('students: Ottilie')).toBeTruthy();
    expect((await screen.findByText(/undo: .*Ottilie/)).textContent).not.toContain('nothing');
    await click('Undo');
    expect(await screen.findByText('students:')).toBeTruthy();
    expect(await screen.findByText(/redo: .*Ottilie/)).toBeTruthy();
    await click('Redo');
    expect(await screen.findByText('students: Ottilie')).toBeTruthy();
  });
  it('shows what another tab stored', async () => {
    render(
      <OwnStudio>
        <Room />
      </OwnStudio>,
    );
    await screen.findByText('students:');
    const other = await ownDatabase();
    await other.students.add({
      id: 'o',
      name: 'Of the other tab',
      instrument: 'piano',
      age: '',
      handSpanInSemitones: null,
      breathSpanInSeconds: null,
      minutesPerDay: [0, 0, 0, 0, 0, 0, 0],
      order: 1,
      updatedAt: NOW,
    });
    expect(await screen.findByText('students: Of the other tab')).toBeTruthy();
    other.close();
  });
  it('is the demo on a first visit, until it is removed; then it stays away after a reload', async () => {
    first();
    expect(await screen.findByRole('heading', { name: 'demo' })).toBeTruthy();
    await click('Remove the demo');
    expect(await screen.findByRole('heading', { name: 'own' })).toBeTruthy();
    await waitFor(async () => expect(await Dexie.exists(databaseName('demo'))).toBe(false));
    cleanup();
    first();
    expect(await screen.findByRole('heading', { name: 'own' })).toBeTruthy();
    await click('Bring it back');
    expect(await screen.findByRole('heading', { name: 'demo' })).toBeTruthy();
  });
  it('opens the studio that was chosen last', async () => {
    window.localStorage.setItem('oak-rungs.studio', 'own');
    first();
    expect(await screen.findByRole('heading', { name: 'own' })).toBeTruthy();
  });
  it('says so, instead of opening for ever, where the browser keeps nothing', async () => {
    vi.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('not here', 'SecurityError');
    });
    first();
    expect((await screen.findByRole('alert')).textContent).toContain('private windows');
  });
  it('does without the choice where only that cannot be kept', async () => {
    vi.spyOn(Storage.prototype, 'getItem').mockImplementation(() => {
      throw new DOMException('not here', 'SecurityError');
    });
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('not here', 'SecurityError');
    });
    first();
    expect(await screen.findByRole('heading', { name: 'demo' })).toBeTruthy();
  });
  it('neither reads nor writes the studio of a newer program', async () => {
    const newer = new Dexie(databaseName('own'));
    newer.version(99).stores({ pieces: 'id', students: 'id, name, order' });
    await newer.open();
    await newer.table('students').add({ id: 's', name: 'From the future' });
    newer.close();
    render(
      <OwnStudio>
        <Room />
      </OwnStudio>,
    );
    expect((await screen.findByRole('alert')).textContent).toContain('newer Oak Rungs');
    const stored = await indexedDB.databases();
    expect(stored.find((d) => d.name === databaseName('own'))?.version).toBe(990);
    const again = new Dexie(databaseName('own'));
    await again.open();
    expect(await again.table('students').toArray()).toEqual([{ id: 's', name: 'From the future' }]);
    again.close();
  });
  it('closes when another tab takes the studio away, and begins an empty one', async () => {
    first();
    await screen.findByRole('heading', { name: 'demo' });
    await Dexie.delete(databaseName('demo'));
    expect(await screen.findByRole('heading', { name: 'own' })).toBeTruthy();
  });
});
