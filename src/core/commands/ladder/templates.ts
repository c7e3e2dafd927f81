import { fromTemplateRungs, targetTempoFor, toTemplateRungs } from '../../ladder';
import { fail, ok } from '../../result';
import { placeSections, type PlacedSection } from '../../sections';
import { ladderFor, type Section } from '../../studio';
import { command, put } from '../command';
import { gone } from '../refusals';
import { builtRungs, ladderRow, ownerOf, type LadderSetting } from './ladder-context';

interface OfSection extends LadderSetting {
  readonly pieceId: string;
  readonly sectionId: string;
}

const found = (setting: LadderSetting, sections: readonly Section[], id: string): PlacedSection | undefined =>
  placeSections(setting.score, sections).find((p) => p.section.id === id);

/** A ladder kept to be used again: its tempos as shares of the target. */
export const keepTemplate = command({
  asks: ({ pieceId }: OfSection & { readonly name: string }) => ({
    pieces: { ids: [pieceId] },
    sections: { pieceId },
    ladders: { pieceId },
  }),
  run: (stored, { sectionId, name, ...setting }: OfSection & { readonly name: string }, { newId }) => {
    const [piece] = stored.pieces;
    const owner = piece && ownerOf(piece, setting);
    const placed = found(setting, stored.sections, sectionId);
    const ladder = ladderFor(stored.ladders, sectionId, owner?.player, owner?.studentId);
    if (!piece || !placed) return gone('section');
    if (!ladder || ladder.rungs.length === 0) return fail('no-ladder', 'Build a ladder for this section first.');
    const id = newId();
    return ok({
      label: `template ${name}`,
      changes: [
        put('templates', {
          id,
          name,
          rungs: toTemplateRungs(
            ladder.rungs,
            targetTempoFor(piece, setting.student ?? null, setting.score, placed.from),
          ),
        }),
      ],
      says: `${name} is kept as a template.`,
      made: id,
    });
  },
});

/** The rungs of a template on top of those of a section. */
export const addTemplate = command({
  asks: ({ pieceId, templateId }: OfSection & { readonly templateId: string }) => ({
    pieces: { ids: [pieceId] },
    sections: { pieceId },
    ladders: { pieceId },
    templates: { ids: [templateId] },
  }),
  run: (stored, { sectionId, templateId: _, ...setting }: OfSection & { readonly templateId: string }, { newId }) => {
    const [piece] = stored.pieces;
    const owner = piece && ownerOf(piece, setting);
    const [template] = stored.templates;
    const placed = found(setting, stored.sections, sectionId);
    if (!piece || !placed) return gone('section');
    if (!template) return gone('template');
    const ladder = ladderFor(stored.ladders, sectionId, owner?.player, owner?.studentId);
    const rungs = fromTemplateRungs(
      template.rungs,
      targetTempoFor(piece, setting.student ?? null, setting.score, placed.from),
      newId,
    );
    return ok({
      label: `template ${template.name} used`,
      changes: [
        put('ladders', ladderRow(placed.section, [...(ladder?.rungs ?? []), ...rungs], ladder?.removed, owner)),
      ],
    });
  },
});

/** The teacher's own rungs of one section, put into others; ladders that are not there yet are built first. */
export const shareOwnRungs = command({
  asks: ({ pieceId }: OfSection & { readonly to: readonly string[] }) => ({
    pieces: { ids: [pieceId] },
    sections: { pieceId },
    ladders: { pieceId },
    marks: { pieceId },
  }),
  run: (stored, { sectionId, to, ...setting }: OfSection & { readonly to: readonly string[] }, { newId }) => {
    const [piece] = stored.pieces;
    const owner = piece && ownerOf(piece, setting);
    const all = placeSections(setting.score, stored.sections);
    const placed = all.find((p) => p.section.id === sectionId);
    if (!piece || !placed) return gone('section');
    const own = (ladderFor(stored.ladders, sectionId, owner?.player, owner?.studentId)?.rungs ?? []).filter(
      (r) => r.own,
    );
    if (own.length === 0) return fail('no-own-rungs', 'This ladder has no rungs of your own.');
    const template = toTemplateRungs(own, targetTempoFor(piece, setting.student ?? null, setting.score, placed.from));
    const others = all.filter((p) => to.includes(p.section.id));
    return ok({
      label: 'own rungs for the other sections',
      changes: others.map((p) => {
        const ladder = ladderFor(stored.ladders, p.section.id, owner?.player, owner?.studentId);
        const base = ladder?.rungs ?? builtRungs(piece, p, all, stored.marks, setting);
        const fresh = fromTemplateRungs(
          template,
          targetTempoFor(piece, setting.student ?? null, setting.score, p.from),
          newId,
        ).filter((r) => !base.some((b) => b.what === r.what));
        return put('ladders', ladderRow(p.section, [...base, ...fresh], ladder?.removed, owner));
      }),
      says: `${own.length} ${own.length === 1 ? 'rung' : 'rungs'} now also in ${others.length} other ${others.length === 1 ? 'section' : 'sections'}.`,
    });
  },
});
