import { bringInPages } from '@/core/commands';
import type { FlatBar, FlatSystem } from '@/core/page';
import { agreeToPages, paperOf } from '@/core/paper';
import { changeBar } from '@/core/bargrid';
import { madeRow, markId, type Mark, type NewMark, type Section, type Studio, type Zone } from '@/core/studio';
import photographed from './pieces/rain-on-the-slip.json' with { type: 'json' };

const PIECE = 'demo-rain';
const PAGE = 'demo-rain-page';

const EDGES: readonly FlatBar['ends'][] = ['single', 'double', 'repeat', 'final'];
const edgeOf = (text: string): FlatBar['ends'] => EDGES.find((e) => e === text) ?? 'single';

/** What was found on the photograph when it was taken, see scripts/demo-page.ts. */
const systems: readonly FlatSystem[] = photographed.systems.map((system) => ({
  ...system,
  staves: system.staves.map(([top = 0, foot = 0]) => [top, foot] as const),
  bars: system.bars.map((bar) => ({ ...bar, starts: edgeOf(bar.starts), ends: edgeOf(bar.ends) })),
}));

/** Letter, name, first and last bar from 0, and the letter that it is a copy of. */
const SECTIONS = [
  ['A', 'Rain begins', 0, 7, null],
  ['B', 'Over the slates', 8, 15, null],
  ['A′', 'Rain again', 16, 23, 'A'],
] as const;

/** Bar from 0, place in it, side, what is written. */
const PENCIL = [
  [0, 0.45, 'above', '3', 'finger'],
  [0, 0.7, 'above', '5', 'finger'],
  [3, 0.1, 'above', '4', 'finger'],
  [7, 0.6, 'above', '’', 'breath'],
  [8, 0.3, 'between', 'mf', 'dynamic'],
  [4, 0.5, 'between', 'drops, not nails', 'cue'],
] as const;

const sectionId = (letter: string): string => `${PIECE}-${letter === 'A′' ? 'A2' : letter}`;

/** Puts a piece into the studio of which there is only a photograph of its page. */
export function putPhotographedPiece(studio: Studio, start: string, zone: Zone): void {
  const { width, height, space } = photographed;
  const read = paperOf([{ id: PAGE, pieceId: PIECE, width, height, flat: { space, systems } }], {
    title: 'Rain on the Slip',
    instrument: 'piano',
    clef: 'treble',
    shown: null,
  });
  const grid = changeBar({ ...read.grid, pickup: '0' }, 0, {
    meter: '3/4',
    key: 'F',
    tempo: { word: '', unit: '1/4', perMinute: 92 },
  });
  const agreed = agreeToPages({ ...read, grid });
  const paper = agreed.ok ? agreed.value.paper : read;
  const brought = bringInPages.run(
    {},
    {
      pieceId: PIECE,
      paper,
      pictures: [{ id: PAGE, name: 'Rain on the Slip, page 1', type: 'image/png', data: photographed.data }],
      fileName: 'rain-on-the-slip.jpg',
    },
    { now: start, zone, newId: () => PAGE },
  );
  if (!brought.ok) return;
  for (const change of brought.value.changes ?? [])
    if ('put' in change) (studio[change.table] as unknown[]).push({ ...change.put, updatedAt: start });
  const bars = paper.grid.bars.map((b) => b.id);
  studio.sections.push(
    ...SECTIONS.map(([letter, name, from, to, like], order) =>
      madeRow(
        {
          id: sectionId(letter),
          pieceId: PIECE,
          name,
          letter,
          fromBar: bars[from] ?? '',
          toBar: bars[to] ?? '',
          fromOffset: '0',
          toOffset: null,
          parentId: null,
          likeId: like === null ? null : sectionId(like),
          hand: 'all',
          order,
        } satisfies Omit<Section, 'updatedAt' | 'touched'>,
        start,
      ),
    ),
  );
  for (const [bar, at, side, text, role] of PENCIL) {
    const mark: NewMark = {
      kind: 'pencil',
      pieceId: PIECE,
      studentId: null,
      source: 'teacher',
      barId: bars[bar] ?? '',
      at,
      side,
      text,
      role,
    };
    studio.marks.push(madeRow({ ...mark, id: markId(mark) }, start) as Mark);
  }
}
