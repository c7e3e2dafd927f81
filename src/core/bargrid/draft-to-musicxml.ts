import { escapeXml } from '../musicxml';
import { fraction, lcm, ZERO, type Fraction } from '../score';
import { attributesXml } from './document/attributes-xml';
import type { Context } from './document/event-context';
import { beamsXml, writesBeams } from './document/beams-xml';
import { eventXml, soundingPieces } from './document/event-xml';
import { signsXml } from './document/signs-xml';
import { tempoXml } from './document/tempo-xml';
import type { Draft, DraftBar, DraftEvent, DraftPart } from './draft';

/** Voices of a staff that have numbers of their own. */
const VOICES_A_STAFF = 4;

const eventsLength = (events: readonly DraftEvent[]): Fraction =>
  events.reduce<Fraction>(
    (sum, e) => fraction(sum.n * e.duration.d + e.duration.n * sum.d, sum.d * e.duration.d),
    ZERO,
  );

/** Divisions of the quarter in which every length of the draft is whole. */
function divisionsOf({ bars }: Draft): number {
  const events = bars.flatMap((bar) => bar.content.flat(3));
  const lengths = [...bars.map((bar) => bar.quarters), ...events.flatMap(soundingPieces)];
  return lengths.reduce((divisions, length) => lcm(divisions, length.d), 1);
}

function partHead({ id, name, sound, midiProgram }: DraftPart): string {
  const instrument =
    sound === null
      ? ''
      : `<score-instrument id="${id}-I1"><instrument-name>${escapeXml(name)}</instrument-name><instrument-sound>${escapeXml(sound)}</instrument-sound></score-instrument>`;
  const midi =
    midiProgram === null
      ? ''
      : `<midi-instrument id="${id}-I1"><midi-program>${midiProgram + 1}</midi-program></midi-instrument>`;
  return `<score-part id="${id}"><part-name>${escapeXml(name)}</part-name>${instrument}${midi}</score-part>`;
}

/** Slurs and ties that are open in a voice of a part, carried from bar to bar. */
type Carried = Pick<Context, 'slurs' | 'tiedIn'>;

interface PartInDraft {
  readonly part: DraftPart;
  /** Place among the parts. */
  readonly index: number;
  readonly divisions: number;
  readonly carried: Map<string, Carried>;
  readonly withBeams: boolean;
}

/** Gives the notes of a bar their ids, where the bar has one. */
function idsOf(bar: DraftBar, part: number): () => string {
  let number = 0;
  return () => {
    number += 1;
    return bar.id === undefined ? '' : ` id="${bar.id}-p${part + 1}-n${number}"`;
  };
}

/** The voices of a bar one after the other; a staff without notes is filled with a rest that is not seen. */
function contentXml({ part, index, divisions, carried, withBeams }: PartInDraft, bar: DraftBar): string[] {
  const nextId = idsOf(bar, index);
  const lines: string[] = [];
  const inDivisions = (length: Fraction): number => (length.n * divisions) / length.d;
  let written = ZERO;
  part.staves.forEach((_, s) => {
    const filled = (bar.content[index]?.[s] ?? []).filter((v) => v.length > 0);
    const voices: readonly (readonly DraftEvent[] | null)[] = filled.length > 0 ? filled : [null];
    voices.forEach((events, v) => {
      if (written.n > 0) lines.push(`<backup><duration>${inDivisions(written)}</duration></backup>`);
      const voice = s * VOICES_A_STAFF + v + 1;
      written = events === null ? bar.quarters : eventsLength(events);
      if (events === null) {
        const staff = part.staves.length > 1 ? `<staff>${s + 1}</staff>` : '';
        lines.push(
          `<note print-object="no"><rest measure="yes"/><duration>${inDivisions(bar.quarters)}</duration><voice>${voice}</voice>${staff}</note>`,
        );
        return;
      }
      const open = carried.get(`${s} ${v}`) ?? { slurs: [], tiedIn: new Map<string, true>() };
      carried.set(`${s} ${v}`, open);
      const context: Context = { divisions, voice, staff: s + 1, staves: part.staves.length, ...open, nextId };
      const beams = withBeams ? beamsXml(events) : [];
      lines.push(...events.map((e, i) => eventXml(e, context, beams[i])));
    });
  });
  return lines;
}

function measureXml(inDraft: PartInDraft, bar: DraftBar, first: boolean): string {
  const { part, index, divisions } = inDraft;
  const { left, start, end, right } = signsXml(bar);
  const isUpper = index === 0;
  const id = bar.id === undefined ? '' : ` id="${bar.id}"`;
  return [
    `<measure${id} number="${escapeXml(bar.number)}"${bar.implicit ? ' implicit="yes"' : ''}>`,
    bar.lineBreak ? '<print new-system="yes"/>' : '',
    left,
    attributesXml(bar, part, first, divisions),
    isUpper ? start : '',
    isUpper && bar.tempo ? tempoXml(bar.tempo) : '',
    ...contentXml(inDraft, bar),
    isUpper ? end : '',
    right,
    '</measure>',
  ].join('');
}

/**
 * Writes a draft as a MusicXML 4.0 document, one measure a line. Bars with nothing in a staff get a hidden whole-bar
 * rest.
 *
 * @example draftToMusicXml(readAbc('X:1\nK:C\nC|', 'x').value.draft).includes('<step>C</step>') // → true
 */
export function draftToMusicXml(draft: Draft): string {
  const divisions = divisionsOf(draft);
  const parts = draft.parts.flatMap((part, index) => {
    const inDraft: PartInDraft = { part, index, divisions, carried: new Map(), withBeams: writesBeams(draft) };
    return [`<part id="${part.id}">`, ...draft.bars.map((bar, b) => measureXml(inDraft, bar, b === 0)), '</part>'];
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">\n<score-partwise version="4.0">',
    `<work><work-title>${escapeXml(draft.title)}</work-title></work>`,
    `<identification><creator type="composer">${escapeXml(draft.composer)}</creator></identification>`,
    '<part-list>',
    ...draft.parts.map(partHead),
    '</part-list>',
    ...parts,
    '</score-partwise>\n',
  ].join('\n');
}
