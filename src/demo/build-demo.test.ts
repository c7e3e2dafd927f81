import { describe, expect, it } from 'vitest';
import { readStudioFile, writeStudioFile } from '@/core/studio';
import { dayOf } from '@/core/studio';
import { buildDemoStudio } from './build-demo';

const NOW = '2026-05-20T15:00:00.000Z';
const studio = buildDemoStudio(new Date(NOW));

describe('demo studio', () => {
  it('is the same for the same day', () => expect(buildDemoStudio(new Date(NOW))).toEqual(studio));
  it('has bars, sections and ladders that fit together', () => {
    // Of the photographed piece nothing is given yet.
    for (const section of studio.sections.filter((s) => s.pieceId !== 'demo-rain')) {
      expect(section.fromBar).not.toBe('');
      expect(section.toBar).not.toBe('');
      const least = section.kind === undefined ? 2 : 1;
      expect(studio.ladders.some((l) => l.sectionId === section.id && l.rungs.length >= least)).toBe(true);
    }
    for (const way of studio.ways)
      expect(way.steps?.every((step) => studio.sections.some((s) => s.id === step.sectionId))).toBe(true);
    expect(studio.ways).toHaveLength(studio.pieces.filter((p) => !p.exercise && p.format !== 'grid').length);
    expect(studio.events.length).toBeGreaterThan(20);
  });
  it('holds nothing that a studio file would call damaged', () => {
    const read = readStudioFile(writeStudioFile(studio, NOW), 's.oakrungs.json', 'UTC');
    if (!read.ok) throw new Error(read.issue.message);
    expect(read.value.studio.damaged).toEqual([]);
    expect(read.value.studio.events).toHaveLength(studio.events.length);
  });
  it('records nothing that has not happened yet, for a teacher on either side of the date line', () => {
    for (const zone of ['Pacific/Auckland', 'America/Los_Angeles', 'UTC']) {
      const there = buildDemoStudio(new Date(NOW), zone);
      const today = dayOf(NOW, zone);
      expect(there.events.filter((e) => dayOf(e.at, zone) > today).map((e) => e.id)).toEqual([]);
      expect(there.events.filter((e) => e.kind === 'practice' && e.day > today)).toEqual([]);
    }
  });
  it('has practice only in weeks that were given, of tasks on their days', () => {
    const given = new Map(studio.events.flatMap((e) => (e.kind === 'assignment' ? [[e.id, e] as const] : [])));
    const practice = studio.events.filter((e) => e.kind === 'practice');
    expect(practice.length).toBeGreaterThan(50);
    for (const done of practice) {
      const week = given.get(done.id.replace(/-p\d-\d+$/, '-given'));
      expect(week?.items.some((item) => item.sectionId === done.sectionId)).toBe(true);
      expect(done.at > (week?.at ?? '')).toBe(true);
    }
  });
});
