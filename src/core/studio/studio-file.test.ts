import { describe, expect, it } from 'vitest';
import { buildDemoStudio } from '@/demo';
import { readStudioFile, studioJsonSchema, writeStudioFile } from './studio-file';

const NOW = '2026-05-20T15:00:00.000Z';
const studio = buildDemoStudio(new Date(NOW));

describe('studio file', () => {
  it('comes back as it was written', () => {
    const read = readStudioFile(writeStudioFile(studio, NOW), 's.oakrungs.json');
    expect(read).toEqual({ ok: true, value: { format: 'oakrungs-studio', version: 2, exportedAt: NOW, studio } });
  });
  it.each([
    ['an empty file', '', 'studio-empty'],
    ['a cut-off file', writeStudioFile(studio, NOW).slice(0, -20), 'studio-not-json'],
    ['another kind of JSON', '{"a":1}', 'studio-not-ours'],
    ['a newer version', '{"format":"oakrungs-studio","version":99}', 'studio-newer'],
    ['a level that does not exist', writeStudioFile(studio, NOW).replace('"level": 1', '"level": 9'), 'studio-broken'],
  ])('refuses %s', (_, text, code) => expect(readStudioFile(text, 's.json')).toMatchObject({ ok: false, issue: { code } }));
  it('reads a file of version 1, which had no templates', () => {
    const before = JSON.stringify({ format: 'oakrungs-studio', version: 1, exportedAt: NOW, studio: { ...studio, templates: undefined } });
    const read = readStudioFile(before, 'old.json');
    expect(read).toMatchObject({ ok: true, value: { version: 2, studio: { templates: [] } } });
  });
  it('has a JSON Schema', () => expect(JSON.stringify(studioJsonSchema())).toContain('oakrungs-studio'));
});

describe('demo studio', () => {
  it('is the same for the same day', () => expect(buildDemoStudio(new Date(NOW))).toEqual(studio));
  it('has bars, sections and ladders that fit together', () => {
    for (const section of studio.sections) {
      expect(section.fromBar).not.toBe('');
      expect(section.toBar).not.toBe('');
      expect(studio.ladders.some((l) => l.sectionId === section.id && l.rungs.length > 2)).toBe(true);
    }
    expect(studio.events.length).toBeGreaterThan(20);
  });
});
