import { escapeXml, pitchXml } from '../../musicxml';
import { fraction, multiply, type Fraction, type Pitch } from '../../score';
import type { DraftEvent } from '../draft';
import type { Context } from './event-context';
import { harmonyXml } from './harmony-xml';
import { notationsXml } from './notations-xml';
import { spellLength, type Written } from './spell-length';

const samePitch = (p: Pitch): string => `${p.step}${p.alter}${p.octave}`;

/** What is written before a note: dynamics, hairpins, words. */
function beforeXml({ before }: DraftEvent, { staff, staves }: Context): string[] {
  return before.map((mark) => {
    const body =
      mark.kind === 'dynamic'
        ? `<dynamics><${mark.text}/></dynamics>`
        : mark.kind === 'wedge'
          ? `<wedge type="${mark.text === 'wedge-stop' ? 'stop' : mark.text}"/>`
          : `<words>${escapeXml(mark.text)}</words>`;
    const placement = mark.kind === 'words' ? 'above' : 'below';
    return `<direction placement="${placement}"><direction-type>${body}</direction-type>${staves > 1 ? `<staff>${staff}</staff>` : ''}</direction>`;
  });
}

/** The parts of a note that all notes of an event share. */
interface Shared {
  readonly tail: string;
  readonly staff: string;
  readonly modification: string;
  readonly beam: string;
}

function gracesXml({ graces, graceSlash }: DraftEvent, { tail, staff }: Shared, { nextId }: Context): string[] {
  return graces.map(
    (grace) =>
      `<note${nextId()}><grace${graceSlash ? ' slash="yes"' : ''}/>${pitchXml(grace)}${tail}<type>eighth</type>${staff}</note>`,
  );
}

const lyricsXml = ({ lyrics }: DraftEvent): string =>
  lyrics
    .map(
      (l) =>
        `<lyric number="${escapeXml(l.verse)}"><syllabic>${l.syllabic}</syllabic><text>${escapeXml(l.text)}</text></lyric>`,
    )
    .join('');

const UNPITCHED = '<unpitched><display-step>B</display-step><display-octave>4</display-octave></unpitched>';

/** A written length as it sounds, inside its tuplet. */
const soundingOf = ({ quarters }: Written, tuplet: DraftEvent['tuplet']): Fraction =>
  tuplet ? multiply(quarters, fraction(tuplet.normal, tuplet.actual)) : quarters;

/** The note values that an event is written with, tied one to the next. */
export const writtenPieces = ({ duration, tuplet }: DraftEvent): Written[] =>
  spellLength(tuplet ? multiply(duration, fraction(tuplet.actual, tuplet.normal)) : duration);

/** How long the pieces of an event sound, in quarters. */
export const soundingPieces = (event: DraftEvent): Fraction[] =>
  writtenPieces(event).map((piece) => soundingOf(piece, event.tuplet));

/** As many fingers as notes are one each, in the order in which they are written; else they stand at the first. */
const fingersOf = ({ fingers, pitches }: DraftEvent, k: number): readonly string[] =>
  fingers.length === pitches.length ? fingers.slice(k, k + 1) : k === 0 ? fingers : [];

/** The notes of one piece of an event: all notes of its chord. */
function pieceXml(
  event: DraftEvent,
  value: { readonly duration: string; readonly type: string },
  { first, last }: { readonly first: boolean; readonly last: boolean },
  { tail, staff, modification, beam }: Shared,
  context: Context,
): string[] {
  const heads: readonly (Pitch | null)[] = event.pitches.length === 0 ? [null] : event.pitches;
  return heads.map((pitch, k) => {
    const key = pitch ? samePitch(pitch) : '';
    const tieIn = !first || context.tiedIn.has(key);
    const tieOut = !last || (event.tied[k] ?? false);
    if (first) context.tiedIn.delete(key);
    const ties = `${tieIn ? '<tie type="stop"/>' : ''}${tieOut ? '<tie type="start"/>' : ''}`;
    const notations = notationsXml(
      event,
      { first, last, tieIn, tieOut, lead: k === 0, fingers: fingersOf(event, k) },
      context,
    );
    return `<note${context.nextId()}>${k > 0 ? '<chord/>' : ''}${pitch ? pitchXml(pitch) : UNPITCHED}${value.duration}${ties}${tail}${value.type}${modification}${pitch ? '' : '<notehead>x</notehead>'}${staff}${k === 0 ? beam : ''}${notations}${k === 0 && first ? lyricsXml(event) : ''}</note>`;
  });
}

/** One event as notes: its grace notes, and as many tied values as its length needs, `beam` at each. */
export function eventXml(event: DraftEvent, context: Context, beam = ''): string {
  const { tuplet } = event;
  const shared: Shared = {
    tail: `<voice>${context.voice}</voice>`,
    staff: context.staves > 1 ? `<staff>${context.staff}</staff>` : '',
    modification: tuplet
      ? `<time-modification><actual-notes>${tuplet.actual}</actual-notes><normal-notes>${tuplet.normal}</normal-notes></time-modification>`
      : '',
    beam,
  };
  const out = [
    ...beforeXml(event, context),
    ...(event.chordSymbol === null ? [] : [harmonyXml(event.chordSymbol)]),
    ...gracesXml(event, shared, context),
  ];
  const pieces = event.kind === 'note' ? writtenPieces(event) : writtenPieces(event).reverse();
  pieces.forEach((piece, i) => {
    const sounding = soundingOf(piece, tuplet);
    const value = {
      duration: `<duration>${(sounding.n * context.divisions) / sounding.d}</duration>`,
      type: piece.value ? `<type>${piece.value}</type>${'<dot/>'.repeat(piece.dots)}` : '',
    };
    const place = { first: i === 0, last: i === pieces.length - 1 };
    if (event.kind === 'note') out.push(...pieceXml(event, value, place, shared, context));
    else {
      const hidden = event.kind === 'hidden-rest' ? ' print-object="no"' : '';
      const notations = notationsXml(
        event,
        { ...place, tieIn: false, tieOut: false, lead: true, fingers: [] },
        context,
      );
      out.push(
        `<note${context.nextId()}${hidden}><rest/>${value.duration}${shared.tail}${value.type}${shared.modification}${shared.staff}${notations}</note>`,
      );
    }
  });
  if (event.kind === 'note')
    event.pitches.forEach((pitch, k) => {
      if (event.tied[k]) context.tiedIn.set(samePitch(pitch), true);
    });
  return out.join('');
}
