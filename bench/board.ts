import type { Page } from 'playwright-core';
import { openAbc } from '../src/core/studio';
import { withApplication, PORT } from './browser';

const STUDENTS = 60;
const PIECES = 40;
const SECTIONS = 20;
const EVENTS = 500_000;

/**
 * Puts a studio of the first version of the database in place: its records are folded when the application opens it.
 */
async function seed(page: Page, source: string): Promise<void> {
  // The runner names functions by a helper that the page does not have.
  await page.evaluate('globalThis.__name = (f) => f');
  await page.evaluate(
    async ([students, pieces, sections, events, text]) => {
      const stores: Readonly<Record<string, readonly string[]>> = {
        pieces: ['title', 'updatedAt'],
        sections: ['pieceId', 'updatedAt'],
        marks: ['pieceId', '[pieceId+kind]', 'updatedAt'],
        ladders: ['sectionId', 'pieceId'],
        students: ['name', 'order'],
        events: ['at', 'kind'],
        pages: ['pieceId'],
        settings: [],
        engravings: ['usedAt'],
      };
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const open = indexedDB.open('oak-rungs-own', 10);
        open.onerror = () => reject(open.error);
        open.onupgradeneeded = () => {
          for (const [name, indexes] of Object.entries(stores)) {
            const store = open.result.createObjectStore(name, { keyPath: name === 'engravings' ? 'key' : 'id' });
            for (const index of indexes)
              store.createIndex(index, index.startsWith('[') ? index.slice(1, -1).split('+') : index);
          }
          open.result
            .createObjectStore('changes', { keyPath: 'seq', autoIncrement: true })
            .createIndex('undone', 'undone');
        };
        open.onsuccess = () => resolve(open.result);
      });
      const put = (store: string, rows: readonly object[]): Promise<void> =>
        new Promise((resolve, reject) => {
          const tx = db.transaction(store, 'readwrite');
          for (const row of rows) tx.objectStore(store).put(row);
          tx.oncomplete = () => resolve();
          tx.onerror = () => reject(tx.error);
        });
      const at = (n: number): string => new Date(Date.UTC(2025, 0, 1) + n * 60_000).toISOString();
      const updatedAt = at(0);
      const base = {
        fileName: 'x.abc',
        encoding: 'utf-8',
        bom: false,
        original: null,
        instrument: 'piano',
        targetTempo: null,
        addedAt: updatedAt,
        updatedAt,
      };
      await put(
        'pieces',
        Array.from({ length: pieces }, (_, p) => ({
          ...base,
          id: `p${p}`,
          title: `Piece ${p}`,
          composer: '',
          format: 'musicxml',
          source: text,
        })),
      );
      const edge = {
        fromBar: 'bar-1',
        toBar: 'bar-1',
        fromOffset: '0',
        toOffset: null,
        parentId: null,
        likeId: null,
        hand: 'all',
        name: '',
      };
      await put(
        'sections',
        Array.from({ length: pieces * sections }, (_, i) => ({
          ...edge,
          id: `s${i}`,
          pieceId: `p${Math.floor(i / sections)}`,
          letter: `S${(i % sections) + 1}`,
          order: i % sections,
          updatedAt,
        })),
      );
      await put(
        'students',
        Array.from({ length: students }, (_, i) => ({
          id: `st${i}`,
          name: `Student ${i}`,
          instrument: 'piano',
          age: '',
          handSpanInSemitones: null,
          breathSpanInSeconds: null,
          minutesPerDay: [0, 0, 0, 0, 0, 0, 0],
          order: i,
          updatedAt,
        })),
      );
      const pairs = students * pieces * sections;
      const chunk = 25_000;
      for (let from = 0; from < events; from += chunk)
        await put(
          'events',
          Array.from({ length: Math.min(chunk, events - from) }, (_, k) => {
            const i = from + k;
            const pair = i % pairs;
            const section = Math.floor(pair / students);
            return {
              id: `e${i}`,
              at: at(i),
              kind: 'level',
              studentId: `st${pair % students}`,
              pieceId: `p${Math.floor(section / sections)}`,
              sectionId: `s${section}`,
              level: Math.min(5, Math.floor(i / pairs)),
              proposed: null,
              tempo: null,
              note: '',
            };
          }),
        );
      db.close();
      localStorage.setItem('oak-rungs.studio', 'own');
    },
    [STUDENTS, PIECES, SECTIONS, EVENTS, source] as const,
  );
}

/**
 * Milliseconds to open the board on 500,000 records (the first time with the upgrade), and from a digit key to its
 * cell.
 */
export function measureBoard(): Promise<{
  readonly upgrade: number;
  readonly open: number;
  readonly small: number;
  readonly cell: number;
} | null> {
  const opened = openAbc('X:1\nT:x\nM:4/4\nL:1/4\nK:C\nC D E F |]', 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  const source = opened.value.text;
  return withApplication(async (page) => {
    const opens = async (address: string): Promise<number> => {
      const start = performance.now();
      await page.goto(`http://localhost:${PORT}${address}`);
      await page.locator('[data-cell="0-0"]').waitFor({ timeout: 900_000 });
      return performance.now() - start;
    };
    await opens('/board?piece=demo-quay');
    const small = Math.min(await opens('/board?piece=demo-quay'), await opens('/board?piece=demo-quay'));
    await page.goto(`http://localhost:${PORT}/icon.svg`);
    await seed(page, source);
    const upgrade = await opens('/board?piece=p3');
    const open = Math.min(await opens('/board?piece=p3'), await opens('/board?piece=p5'));
    const times: number[] = [];
    await page.locator('[data-cell="0-0"]').focus();
    for (let i = 0; i < 10; i += 1) {
      times.push(
        await page.evaluate(
          (key) =>
            new Promise<number>((resolve) => {
              const cell = document.querySelector('[data-cell="0-0"]');
              const start = performance.now();
              const observer = new MutationObserver(() => {
                if (!cell?.getAttribute('aria-label')?.includes(`level ${key}`)) return;
                observer.disconnect();
                requestAnimationFrame(() => resolve(performance.now() - start));
              });
              if (cell)
                observer.observe(cell, { childList: true, subtree: true, characterData: true, attributes: true });
              cell?.dispatchEvent(new KeyboardEvent('keydown', { key, code: `Digit${key}`, bubbles: true }));
            }),
          String((i % 2) + 1),
        ),
      );
    }
    return { upgrade, open, small, cell: times.sort((x, y) => x - y)[5] ?? NaN };
  });
}
