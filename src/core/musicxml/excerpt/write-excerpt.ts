/**
 * A small document with just the bars asked for, written by us from what was read: clef, key and meter in force are put
 * in front, every length is the one in the model, unknown elements and unpaired slurs are left out. It is the only
 * thing the engraver ever sees, so that a damaged or hostile source cannot reach it, and a section costs the same in a
 * long piece.
 */
import type { Bar, Part, Score } from '../../score';
import type { ReadScore } from '../read-score';
import { escapeXml, parseFragment, type XmlElement } from '../xml-tree';
import { attributesXml, DEFAULT_CLEF, fold, type Attributes } from './attributes-xml';
import { emptyBar, measureBody } from './measure-body';
import type { Timed } from './note-xml';
import { openOttavas, openWedges, wedgeXml } from './open-lines';
import { openTies, type OpenTies } from './open-ties';
import { pairedSlurs, type ExcerptSlurs } from './paired-slurs';

export interface ExcerptRequest {
  readonly from: number;
  readonly to: number;
  /** Part ids, in the order in which they are drawn; all parts when left out. */
  readonly parts?: readonly string[];
  /** Those of them that are drawn small. */
  readonly small?: readonly string[];
  /** Staff numbers to show of each part; all when left out. */
  readonly staff?: number;
  /** Leave printed fingerings out, for views that draw them in a lane of their own. */
  readonly withoutFingerings?: boolean;
}

type Source = Pick<ReadScore, 'score' | 'ranges' | 'filledFrom'>;

/** One part of the excerpt. */
interface PartExcerpt {
  readonly text: string;
  readonly read: Source;
  readonly request: ExcerptRequest;
  readonly from: number;
  readonly to: number;
  readonly part: Part;
  /** Place among all parts of the score, and among those that are shown. */
  readonly index: number;
  readonly position: number;
  readonly byPlace: ReadonlyMap<string, Timed>;
  readonly slurs: ExcerptSlurs;
  readonly ties: OpenTies;
  readonly onlyStaff: number | null;
}

function leftBarline({ signs }: Bar, isFirst: boolean): string {
  const endingStarts = signs.ending !== null && (signs.ending.starts || isFirst);
  if (!signs.repeatStart && !endingStarts) return '';
  return `<barline location="left">${signs.repeatStart ? '<bar-style>heavy-light</bar-style>' : ''}${
    endingStarts ? `<ending number="${signs.ending?.numbers.join(',') ?? '1'}" type="start"/>` : ''
  }${signs.repeatStart ? '<repeat direction="forward"/>' : ''}</barline>`;
}

function rightBarline({ signs }: Bar, isLast: boolean): string {
  const endingStops = signs.ending !== null && (signs.ending.stops || isLast);
  const repeats = signs.repeatEnd !== null;
  if (!repeats && !endingStops && !signs.doubleBar) return '';
  return `<barline location="right"><bar-style>${repeats ? 'light-heavy' : (signs.doubleBar ?? 'regular')}</bar-style>${
    endingStops ? `<ending number="${signs.ending?.numbers.join(',') ?? '1'}" type="stop"/>` : ''
  }${repeats ? '<repeat direction="backward"/>' : ''}</barline>`;
}

/** Keys, meter and clefs in force where the excerpt begins. */
function attributesAt({ read: { score }, request, part, from, onlyStaff }: PartExcerpt): string {
  const state: Attributes = { keys: new Map(), meter: null, clefs: new Map() };
  const first = score.bars[from];
  for (const change of part.attributes)
    if (change.bar < from || (change.bar === from && change.onset === first?.onset)) fold(state, change);
  if (state.meter === null) state.meter = first?.meter ?? null;
  if (onlyStaff !== null) state.clefs = new Map([[1, state.clefs.get(onlyStaff) ?? DEFAULT_CLEF]]);
  const tunings = part.attributes.flatMap((a) => (a.bar <= from ? (a.tunings ?? []) : []));
  return attributesXml(state, score.ticksPerQuarter, onlyStaff === null ? part.staves : 1, {
    small: request.small?.includes(part.id) ?? false,
    tunings,
  });
}

/** The source of a bar, that of the bar it repeats under a bar-repeat sign; null where the part has none. */
function sourceOf({ text, read, index }: PartExcerpt, b: number): XmlElement | null {
  const range = read.ranges[index]?.[read.filledFrom.get(`${index} ${b}`) ?? b] ?? null;
  return range ? parseFragment(text.slice(range[0], range[1])) : null;
}

function barXml(excerpt: PartExcerpt, bar: Bar): string {
  const { read, request, part, index, position, from, to, onlyStaff, byPlace, slurs, ties } = excerpt;
  const b = bar.index as number;
  const tree = sourceOf(excerpt, b);
  const edge = (at: 'begin' | 'end'): string =>
    openWedges(read.score, part.id, at === 'begin' ? b : b + 1, at)
      .map((wedge) => wedgeXml(wedge, at, onlyStaff))
      .join('') + openOttavas(read.score, part.id, at === 'begin' ? b : b + 1, at, onlyStaff);
  const closing = b === to ? edge('end') : '';
  const body = tree
    ? measureBody(tree, {
        score: read.score,
        part,
        b,
        from,
        bar,
        byPlace,
        slurs,
        ties,
        staves: onlyStaff === null ? part.staves : 1,
        onlyStaff,
        withoutFingerings: request.withoutFingerings ?? false,
        filled: read.filledFrom.has(`${index} ${b}`),
        closing,
      })
    : `${emptyBar(bar.length)}${closing}`;
  const id = `${bar.id}${position === 0 ? '' : `-p${position + 1}`}`;
  return [
    `<measure id="${id}" number="${/^\d+$/.test(bar.name) ? bar.name.slice(0, 12) : ''}">`,
    b === from ? attributesAt(excerpt) : '',
    leftBarline(bar, b === from),
    b === from ? edge('begin') : '',
    body,
    rightBarline(bar, b === to),
    '</measure>',
  ].join('');
}

/** The notes and rests of the bars by part, bar and place in the source. */
function eventsByPlace(score: Score, from: number, to: number) {
  const inRange = <T extends { readonly bar: number }>(e: T): boolean => e.bar >= from && e.bar <= to;
  const notes = score.notes.filter(inRange);
  const byPlace = new Map<string, Timed>();
  for (const e of [...notes, ...score.rests.filter(inRange)]) byPlace.set(`${e.part} ${e.bar} ${e.sourceIndex}`, e);
  return { byPlace, slurs: pairedSlurs(notes), ties: openTies(score.notes, from, to) };
}

/**
 * Writes bars `from` to `to` (both included, clamped to the piece) as a complete MusicXML 4.0 document.
 * Bar and note ids are those of the model, so they come back in the engraved SVG.
 *
 * @example
 * readScore(writeExcerpt(xml, read, { from: 2, to: 3 }), 'x').value.score.bars.map((b) => b.number) // → ['3', '4']
 */
export function writeExcerpt(text: string, read: Source, request: ExcerptRequest): string {
  const { score } = read;
  const from = Math.max(0, Math.min(request.from, score.bars.length - 1));
  const to = Math.max(from, Math.min(request.to, score.bars.length - 1));
  const places = score.parts.map((part, index) => ({ part, index }));
  const chosen = request.parts ? request.parts.flatMap((id) => places.filter(({ part }) => part.id === id)) : places;
  const events = eventsByPlace(score, from, to);
  const nameOf = (part: Part): string =>
    chosen.length > 1 ? escapeXml((part.abbreviation || part.name).slice(0, 40)) : '';
  const heads = chosen.map(
    ({ part }, i) => `<score-part id="P${i + 1}"><part-name>${nameOf(part)}</part-name></score-part>`,
  );
  const bodies = chosen.map(({ part, index }, position) => {
    const onlyStaff = request.staff !== undefined && part.staves > 1 ? request.staff : null;
    const excerpt: PartExcerpt = { text, read, request, from, to, part, index, position, onlyStaff, ...events };
    const bars = score.bars.slice(from, to + 1).map((bar) => barXml(excerpt, bar));
    return `<part id="P${position + 1}">${bars.join('')}</part>`;
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>\n<score-partwise version="4.0"><part-list>',
    ...heads,
    '</part-list>',
    ...bodies,
    '</score-partwise>',
  ].join('');
}
