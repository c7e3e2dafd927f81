import type { StudentLevel } from '../ladder';
import { playedSecondsOfBars, ZERO } from '../score';
import { copyOf, earlierPlaces, placeLines, sameInStaff, type Copy } from './copies';
import { barsInWords } from './names';
import { wayForm, type WayPhrase, type WaySection } from './phrases';
import { familiesOf, rootPhrases } from './roots';
import type { SchoolRule } from './schools/school-rule';
import { unchangingParts } from './unchanging';
import { KnownBars, learnBars, phraseEnds, put, quartersOfBar, type Ends, type Walk } from './walk';
import { joinPhrase, joinSection } from './walk-joins';
import { sectionOf, walkCopy, walkNewPhrase } from './walk-phrase';
import type { WayChunk, WayKind, WayPlace } from './way';
import type { WayOf } from './way-of';
import { copyInWords } from './why';

/** What a section as a whole is a copy of: phrase by phrase the same as an earlier one. */
function sectionCopy(walk: Walk, section: WaySection): Copy | null {
  const model = walk.form.sections.find((s) => s.index === section.model);
  if (model) return copyOf(walk.lines, model.bars, section.bars);
  const [first, ...more] = section.phrases;
  return more.length === 0 ? (walk.form.phrases[first ?? -1]?.copy ?? null) : null;
}

function putSection(walk: Walk, section: WaySection): void {
  if (walk.sectionsKnown.has(section.index)) return;
  walk.sectionsKnown.add(section.index);
  learnBars(walk, section.bars);
  const copy = sectionCopy(walk, section);
  put(
    walk,
    section.phrases.length === 1 && walk.level !== 'advanced' ? 'line' : 'whole',
    {
      name: `${section.name}${section.name === '' ? '' : ', '}${barsInWords(walk.score, section.bars)}`,
      kind: 'section',
      from: section.bars[0],
      to: section.bars[1],
      hand: 'all',
      like: copy?.like ?? null,
    },
    phraseEnds(walk, section.bars, section.upbeatQuarters, section.endUpbeatQuarters),
    copy ? copyInWords(walk.score, copy) : 'all of it is there: whole, then up to its tempo',
  );
  joinSection(walk, section);
  for (const other of walk.form.sections) if (other.model === section.index) walkSectionCopy(walk, other);
}

function sectionIfWhole(walk: Walk, index: number): void {
  const section = walk.form.sections.find((s) => s.index === index);
  if (section?.phrases.every((p) => walk.phrasesKnown.has(p))) putSection(walk, section);
}

/** A section that comes back whole: what differs, phrase by phrase; one that is all known is only joined and run. */
function walkSectionCopy(walk: Walk, section: WaySection): void {
  const model = walk.form.sections.find((s) => s.index === section.model);
  const copies = section.phrases.map((p, k) => {
    const phrase = walk.form.phrases[p];
    const of = walk.form.phrases[model?.phrases[k] ?? -1];
    return phrase && of ? { phrase, copy: copyOf(walk.lines, of.bars, phrase.bars) } : null;
  });
  const isAllKnown = copies.every((c) => c?.copy !== null && c?.copy.kind !== 'changed');
  for (const c of copies) {
    if (!c || walk.phrasesKnown.has(c.phrase.index)) continue;
    if (!isAllKnown && c.copy) walkCopy(walk, c.phrase, c.copy);
    learnBars(walk, c.phrase.bars);
    walk.phrasesKnown.add(c.phrase.index);
    if (!isAllKnown) joinPhrase(walk, c.phrase);
  }
  putSection(walk, section);
  for (const p of section.phrases) walkCopiesOf(walk, p);
}

/** Phrases that are the same as one; those inside a section that comes back whole come with that. */
function walkCopiesOf(walk: Walk, index: number): void {
  for (const copy of walk.form.phrases)
    if (copy.model === index && (sectionOf(walk, copy)?.model ?? null) === null) walkPhrase(walk, copy);
}

/** A phrase, then its copies, wherever they stand. */
function walkPhrase(walk: Walk, phrase: WayPhrase): void {
  if (walk.phrasesKnown.has(phrase.index)) return;
  if (phrase.copy) walkCopy(walk, phrase, phrase.copy);
  else walkNewPhrase(walk, phrase);
  walk.phrasesKnown.add(phrase.index);
  joinPhrase(walk, phrase);
  sectionIfWhole(walk, phrase.section);
  walkCopiesOf(walk, phrase.index);
}

function putPiece(walk: Walk): void {
  const last = walk.score.bars.length - 1;
  learnBars(walk, [0, last]);
  const ends: Ends = { from: ZERO, to: quartersOfBar(walk.score, last) };
  const piece = { kind: 'piece', from: 0, to: last, hand: 'all', like: null } as const satisfies Partial<WayChunk> & {
    kind: WayKind;
  };
  if (walk.form.sections.length > 1)
    put(
      walk,
      'piece',
      { ...piece, name: 'the whole piece, slowly' },
      ends,
      'all sections are joined: from beginning to end',
    );
  put(walk, 'piece', { ...piece, name: 'the whole piece' }, ends, 'up to its tempo, then for someone');
}

/**
 * Every place of the way, in the order in which it is learned: unchanging parts, then phrases by the school, each chunk
 * by chunk with its joins and followed by its copies, sections as soon as they are whole, the piece last.
 *
 * @example buildPlaces(analysisOf(score), 'advanced', schoolFor(null, 'advanced'))[0].chunk.name // → 'bars 1–4'
 */
export function buildPlaces(of: WayOf, level: StudentLevel, school: SchoolRule): readonly WayPlace[] {
  const score = of.played;
  if (score.bars.length === 0) return [];
  const lines = placeLines(score);
  const form = wayForm(of.sections, lines);
  const roots = rootPhrases(score, form, of.difficulties, of.corners);
  const walk: Walk = {
    of,
    score,
    lines,
    form,
    level,
    school,
    families: familiesOf(form.phrases),
    sameInStaff: sameInStaff(
      lines,
      form.phrases.map((p) => p.bars),
    ),
    roots: new Map(roots.map((r) => [r.index, r] as const)),
    places: [],
    known: new KnownBars(playedSecondsOfBars(score)),
    phrasesKnown: new Set(),
    sectionsKnown: new Set(),
    chunksKnown: earlierPlaces(lines),
    joined: new Set(),
  };
  for (const { hand, bars, name, why } of unchangingParts(of))
    put(
      walk,
      'unit',
      { name, kind: 'chunk', from: bars[0], to: bars[1], hand, like: null },
      { from: ZERO, to: quartersOfBar(score, bars[1]) },
      why,
    );
  for (const root of school.order(roots)) {
    const phrase = form.phrases[root.index];
    if (phrase) walkPhrase(walk, phrase);
  }
  for (const phrase of form.phrases) walkPhrase(walk, phrase);
  putPiece(walk);
  return walk.places;
}
