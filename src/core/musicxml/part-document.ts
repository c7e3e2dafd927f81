/**
 * Some parts of a score as a document of their own. The music of the parts is copied from the source as it stands; what
 * is printed once for all over the highest part (tempo, rehearsal letters, signs and jumps) is written where the parts
 * do not have it themselves, and bars of rest that follow one another are joined to one sign.
 */
import { isForAll, type Bar, type Part, type Score, type TempoMark } from '../score';
import type { ReadScore } from './read-score';
import { escapeXml, parseFragment, walkXml, type XmlElement } from './xml-tree';

type Source = Pick<ReadScore, 'score' | 'ranges' | 'layout'>;

/** Elements in front of the part list that belong to the whole work. */
const KEPT_HEADER = new Set(['work', 'movement-number', 'movement-title', 'identification', 'defaults']);

interface Head {
  readonly header: string;
  readonly heads: ReadonlyMap<string, string>;
}

function readHead(text: string): Head {
  const kept: string[] = [];
  const heads = new Map<string, string>();
  walkXml(
    text,
    {
      wants: (path) => path.length === 2 && (KEPT_HEADER.has(path[1] ?? '') || path[1] === 'part-list'),
      tree: (element) => {
        if (element.name !== 'part-list') {
          kept.push(text.slice(element.start, element.end));
          return;
        }
        for (const p of element.children)
          if (p.name === 'score-part') heads.set(p.attributes['id'] ?? '', text.slice(p.start, p.end));
      },
    },
    'the score',
  );
  return { header: kept.join('\n'), heads };
}

/** Divisions of a quarter in force in a bar of a part. */
function divisionsAt(part: Part, bar: number): number {
  const said = part.attributes.filter((a) => a.divisions !== undefined && a.bar <= bar).pop();
  return Number(said?.divisions ?? '1') || 1;
}

const directionXml = (type: string, offset: number, sound = ''): string =>
  `<direction placement="above"><direction-type>${type}</direction-type>${offset > 0 ? `<offset>${offset}</offset>` : ''}${sound}</direction>`;

function tempoDirection(mark: TempoMark, offset: number): string {
  const sound = `<sound tempo="${mark.bpm}"/>`;
  const { printed } = mark;
  return printed
    ? directionXml(
        `<metronome><beat-unit>${escapeXml(printed.unit)}</beat-unit>${'<beat-unit-dot/>'.repeat(printed.dots)}<per-minute>${escapeXml(printed.text)}</per-minute></metronome>`,
        offset,
        sound,
      )
    : directionXml('<words/>', offset, sound);
}

const SAYS_TEMPO = /<metronome|\stempo\s*=/;
const SAYS_WAY = /<segno|<coda|\s(?:dalsegno|dacapo|tocoda|fine|segno|coda)\s*=/;

/** The signs and jumps of a bar as directions. */
function wayXml({ signs }: Bar): string {
  const out: string[] = [];
  if (signs.segno !== null) out.push(directionXml('<segno/>', 0, `<sound segno="${escapeXml(signs.segno)}"/>`));
  if (signs.coda !== null) out.push(directionXml('<coda/>', 0, `<sound coda="${escapeXml(signs.coda)}"/>`));
  if (signs.toCoda) out.push(directionXml('<words>To Coda</words>', 0, '<sound tocoda="coda"/>'));
  if (signs.fine) out.push(directionXml('<words>Fine</words>', 0, '<sound fine="yes"/>'));
  if (signs.jump) {
    const { kind, until, to } = signs.jump;
    const words = `${kind === 'dacapo' ? 'D.C.' : 'D.S.'}${until === null ? '' : until === 'fine' ? ' al Fine' : ' al Coda'}`;
    out.push(
      directionXml(
        `<words>${words}</words>`,
        0,
        kind === 'dacapo' ? '<sound dacapo="yes"/>' : `<sound dalsegno="${escapeXml(to ?? '')}"/>`,
      ),
    );
  }
  return out.join('');
}

/** What holds for all in a bar and does not stand in the part itself. */
function forAll(score: Score, part: Part, bar: Bar, own: string): string {
  const divisions = divisionsAt(part, bar.index);
  const offsetOf = (onset: number): number =>
    Math.round(((onset - bar.onset) / score.ticksPerQuarter) * divisions * 1e6) / 1e6;
  const tempos = SAYS_TEMPO.test(own) ? [] : score.tempos.filter((t) => t.bar === bar.index);
  const said = new Set<string>();
  const words = score.directions.flatMap((d) => {
    if (d.bar !== bar.index || !isForAll(d) || !('text' in d)) return [];
    const key = `${d.kind} ${d.onset} ${d.text}`;
    if (said.has(key) || score.directions.some((o) => o.part === part.id && o.bar === d.bar && o.kind === d.kind))
      return [];
    said.add(key);
    return [directionXml(`<${d.kind}>${escapeXml(d.text)}</${d.kind}>`, offsetOf(d.onset))];
  });
  return [
    ...words,
    ...tempos.map((t) => tempoDirection(t, offsetOf(t.onset))),
    SAYS_WAY.test(own) ? '' : wayXml(bar),
  ].join('');
}

/** Bars that begin a run of rests, with its length: a run ends where anything is to be seen. */
function restRuns(score: Score, part: Part): ReadonlyMap<number, number> {
  const busy = new Set<number>();
  for (const n of score.notes) if (n.part === part.id) busy.add(n.bar);
  for (const d of score.directions) if (d.part === part.id || isForAll(d)) busy.add(d.bar);
  const begins = (b: number): boolean => {
    const bar = score.bars[b];
    const before = score.bars[b - 1];
    return (
      bar === undefined ||
      before === undefined ||
      bar.signs.repeatStart ||
      bar.signs.ending !== null ||
      before.signs.repeatEnd !== null ||
      before.signs.doubleBar !== null ||
      score.tempos.some((t) => t.bar === b) ||
      part.attributes.some((a) => a.bar === b && (a.meter !== undefined || a.keys !== undefined))
    );
  };
  const runs = new Map<number, number>();
  let from = -1;
  score.bars.forEach((bar, b) => {
    if (busy.has(b)) from = -1;
    else if (from < 0 || begins(b)) from = b;
    if (from >= 0 && bar.length > 0) runs.set(from, b - from + 1);
  });
  return new Map([...runs].filter(([, length]) => length >= 2));
}

/** Where music begins inside a measure: behind its layout, attributes and left bar line. */
function headEnd(measure: XmlElement): number {
  const first = measure.children.find(
    (c) =>
      !['print', 'attributes', 'listening'].includes(c.name) &&
      !(c.name === 'barline' && c.attributes['location'] === 'left'),
  );
  return first?.start ?? measure.children[measure.children.length - 1]?.end ?? measure.contentStart;
}

const restOf = (bar: Bar, score: Score, part: Part): string =>
  `<note><rest measure="yes"/><duration>${(bar.length / score.ticksPerQuarter) * divisionsAt(part, bar.index)}</duration></note>`;

function measureXml(text: string, read: Source, index: number, bar: Bar, rests: number | undefined): string {
  const { score, layout } = read;
  const part = score.parts[index];
  const range = read.ranges[index]?.[bar.index] ?? null;
  if (!part) return '';
  const open = `<measure number="${escapeXml(bar.number)}"${bar.name === bar.number ? '' : ' implicit="yes"'}>`;
  if (range === null) return `${open}${forAll(score, part, bar, '')}${restOf(bar, score, part)}</measure>`;
  const own = text.slice(range[0], range[1]);
  const tree = parseFragment(own);
  if (!tree) return own;
  const at = headEnd(tree);
  const tag = layout === 'partwise' ? own.slice(0, tree.contentStart) : open;
  const isEmptyTag = tree.contentStart === tree.end;
  const inner = isEmptyTag ? '' : own.slice(tree.contentStart, own.lastIndexOf('</'));
  const cut = isEmptyTag ? 0 : Math.max(0, at - tree.contentStart);
  const multiple =
    rests === undefined
      ? ''
      : `<attributes><measure-style><multiple-rest>${rests}</multiple-rest></measure-style></attributes>`;
  return `${isEmptyTag ? open : tag}${inner.slice(0, cut)}${multiple}${forAll(score, part, bar, own)}${inner.slice(cut)}</measure>`;
}

/**
 * The named parts of a score as a MusicXML document of their own. Source: MusicXML 4.0, score-partwise.
 *
 * @example partDocument(xml, read, ['P1']).startsWith('<?xml') // → true
 */
export function partDocument(text: string, read: Source, parts: readonly string[]): string {
  const { score } = read;
  const { header, heads } = readHead(text);
  const chosen = score.parts.flatMap((part, index) => (parts.includes(part.id) ? [{ part, index }] : []));
  const bodies = chosen.map(({ part, index }, place) => {
    const rests = chosen.length === 1 ? restRuns(score, part) : new Map<number, number>();
    const bars = score.bars.map((bar) =>
      measureXml(text, read, index, bar, place === 0 ? rests.get(bar.index) : undefined),
    );
    return `<part id="${escapeXml(part.id)}">\n${bars.join('\n')}\n</part>`;
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<score-partwise version="4.0">',
    header,
    '<part-list>',
    ...chosen.map(
      ({ part }) =>
        heads.get(part.id) ??
        `<score-part id="${escapeXml(part.id)}"><part-name>${escapeXml(part.name)}</part-name></score-part>`,
    ),
    '</part-list>',
    ...bodies,
    '</score-partwise>\n',
  ].join('\n');
}
