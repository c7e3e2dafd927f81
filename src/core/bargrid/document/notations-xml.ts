import { escapeXml } from '../../musicxml';
import type { DraftEvent } from '../draft';
import type { Context } from './event-context';

const ORNAMENTS = new Set([
  'trill-mark',
  'turn',
  'inverted-turn',
  'mordent',
  'inverted-mordent',
  'schleifer',
  'tremolo',
]);
const TECHNICAL = new Set([
  'up-bow',
  'down-bow',
  'open-string',
  'thumb-position',
  'harmonic',
  'snap-pizzicato',
  'stopped',
]);

/** Which piece of an event a note is, and what stands on it. */
export interface Piece {
  readonly first: boolean;
  readonly last: boolean;
  readonly tieIn: boolean;
  readonly tieOut: boolean;
  /** The first note of a chord bears what belongs to the chord. */
  readonly lead: boolean;
  /** Fingers of this note. */
  readonly fingers: readonly string[];
}

/** Slurs that end and begin; `context` keeps those that are open. */
function slursXml(event: DraftEvent, { first, last }: Piece, { slurs }: Context): string[] {
  const out: string[] = [];
  if (last)
    for (let i = 0; i < event.slurStops; i += 1) {
      const number = slurs.pop();
      if (number !== undefined) out.push(`<slur type="stop" number="${number}"/>`);
    }
  if (first)
    for (let i = 0; i < event.slurStarts; i += 1) {
      const number = (slurs[slurs.length - 1] ?? 0) + 1;
      slurs.push(number);
      out.push(`<slur type="start" number="${number}"/>`);
    }
  return out;
}

/** Ornaments, technical signs and articulations of a note, each in its group. */
function signsXml(decorations: readonly string[], fingered: readonly string[]): string[] {
  const ornaments = decorations.filter((d) => ORNAMENTS.has(d));
  const technical = decorations.filter((d) => TECHNICAL.has(d));
  const articulations = decorations.filter(
    (d) => !ORNAMENTS.has(d) && !TECHNICAL.has(d) && d !== 'fermata' && d !== 'arpeggiate',
  );
  const empty = (names: readonly string[]): string => names.map((name) => `<${name}/>`).join('');
  const fingers = fingered.map((f) => `<fingering>${escapeXml(f)}</fingering>`).join('');
  const group = (name: string, inner: string): string => (inner === '' ? '' : `<${name}>${inner}</${name}>`);
  return [
    group('ornaments', empty(ornaments)),
    group('technical', `${empty(technical)}${fingers}`),
    group('articulations', empty(articulations)),
    decorations.includes('fermata') ? '<fermata/>' : '',
  ];
}

/** The notations of one note of an event. */
export function notationsXml(event: DraftEvent, piece: Piece, context: Context): string {
  const { first, last, lead } = piece;
  const out = [
    piece.tieIn ? '<tied type="stop"/>' : '',
    piece.tieOut ? '<tied type="start"/>' : '',
    ...(lead ? slursXml(event, piece, context) : []),
    lead && event.tuplet?.edge === 'start' && first ? '<tuplet type="start"/>' : '',
    lead && event.tuplet?.edge === 'stop' && last ? '<tuplet type="stop"/>' : '',
    ...(first ? signsXml(lead ? event.decorations : [], piece.fingers) : []),
    event.decorations.includes('arpeggiate') && first ? '<arpeggiate/>' : '',
  ].join('');
  return out === '' ? '' : `<notations>${out}</notations>`;
}
