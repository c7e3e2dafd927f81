import { describe, expect, it } from 'vitest';
import { byId } from './merge-studio';
import { emptyStudio, type Studio } from './schemas';
import { readStudioFile, studioJsonSchema, writeStudioFile } from './studio-file';

const NOW = '2026-05-20T15:00:00.000Z';
const heard = (id: string, level: 1 | 3): Studio['events'][number] => ({
  id,
  at: NOW,
  kind: 'level',
  studentId: 's',
  pieceId: 'p',
  sectionId: 'a',
  level,
  proposed: null,
  tempo: null,
  note: '',
});
const studio: Studio = {
  ...emptyStudio(),
  students: [
    {
      id: 's',
      name: 'Ottilie',
      instrument: 'piano',
      age: '',
      handSpanInSemitones: null,
      breathSpanInSeconds: null,
      minutesPerDay: [20, 20, 20, 20, 20, 0, 0],
      order: 0,
      updatedAt: NOW,
    },
  ],
  events: [heard('e2', 3), heard('e1', 1)],
};

describe('studio file', () => {
  it('comes back as it was written', () => {
    const read = readStudioFile(writeStudioFile(studio, NOW), 's.oakrungs.json', 'UTC');
    if (!read.ok) throw new Error(read.issue.message);
    for (const [name, list] of Object.entries(studio))
      expect(read.value.studio[name as keyof typeof studio], name).toEqual(byId(list as { id: string }[]));
  });
  it.each([
    ['an empty file', '', 'studio-empty'],
    ['a cut-off file', writeStudioFile(studio, NOW).slice(0, -20), 'studio-not-json'],
    ['another kind of JSON', '{"a":1}', 'studio-not-ours'],
    ['a newer version', '{"format":"oakrungs-studio","version":99}', 'studio-newer'],
    ['a file of blanks', ' \n ', 'studio-empty'],
    [
      'a file of an earlier version without lists',
      '{"format":"oakrungs-studio","version":1,"studio":{"a":1}}',
      'studio-broken',
    ],
    ['a file of an earlier version without a studio', '{"format":"oakrungs-studio","version":2}', 'studio-broken'],
    [
      'a file of an earlier version with nothing',
      '{"format":"oakrungs-studio","version":2,"studio":null}',
      'studio-broken',
    ],
    ['a file without lists', '{"format":"oakrungs-studio","version":3,"studio":[1]}', 'studio-broken'],
  ])('refuses %s, naming it', (_, text, code) => {
    const read = readStudioFile(text, 's.json', 'UTC');
    expect(read).toMatchObject({ ok: false, issue: { code, place: { file: 's.json' } } });
    expect(!read.ok && read.issue.message).toMatch(/^s\.json .*othing was changed\.$/);
  });
  it('keeps a row that does not hold what it should as it is, and brings the rest', () => {
    const text = writeStudioFile(studio, NOW).replace('"level":1,', '"level":9,');
    const read = readStudioFile(text, 's.json', 'UTC');
    if (!read.ok) throw new Error(read.issue.message);
    const { events, damaged } = read.value.studio;
    expect(events).toHaveLength(studio.events.length - 1);
    expect(damaged).toMatchObject([{ table: 'events', row: { level: 9 } }]);
    expect(damaged[0]?.why).toContain('level');
    // A file with damaged rows is written and read again without losing them.
    const again = readStudioFile(writeStudioFile(read.value.studio, NOW), 's.json', 'UTC');
    expect(again).toMatchObject({ ok: true, value: { studio: { damaged } } });
  });
  it('refuses a time that is none, in a record of its own', () => {
    const text = writeStudioFile(studio, NOW).replace(/"at":"[^"]*"/, '"at": "not a time"');
    const read = readStudioFile(text, 's.json', 'UTC');
    expect(read.ok && read.value.studio.damaged.map((d) => d.why)).toEqual([expect.stringContaining('is not a time')]);
  });
  it('reads a file of version 1, which had no templates', () => {
    const { templates: _, removed: _r, aside: _a, damaged: _d, ...old } = studio;
    const before = JSON.stringify({ format: 'oakrungs-studio', version: 1, exportedAt: NOW, studio: old });
    expect(readStudioFile(before, 'old.json', 'UTC')).toMatchObject({
      ok: true,
      value: { version: 1, studio: { templates: [] } },
    });
  });
  it('brings a file of an earlier version up to date, says what it joined, and loses no row that it does not know', () => {
    const rung = {
      id: 'r',
      kind: 'run',
      what: 'Run',
      hands: '',
      tempo: null,
      tempoTo: null,
      times: 1,
      done: '',
      why: '',
    };
    const ladder = (id: string) => ({
      id,
      sectionId: 'a',
      pieceId: 'p',
      rungs: [{ ...rung, id: `${id}-r`, own: true }],
      updatedAt: NOW,
    });
    const old = { students: studio.students, ladders: [ladder('one'), ladder('two'), 7, null], events: ['what?'] };
    const text = JSON.stringify({ format: 'oakrungs-studio', version: 2, exportedAt: NOW, studio: old });
    const read = readStudioFile(text, 'old.json', 'Pacific/Auckland');
    if (!read.ok) throw new Error(read.issue.message);
    expect(read.value.version).toBe(2);
    expect(read.value.studio.ladders.map((l) => [l.id, l.rungs.length])).toEqual([['ladder~a', 2]]);
    expect(read.value.listed).toEqual([
      'A section had two ladders: the later one stands, with 1 rung that only the other had.',
    ]);
    expect(read.value.studio.damaged.map((d) => [d.table, d.row])).toEqual(
      expect.arrayContaining([
        ['ladders', 7],
        ['ladders', null],
        ['events', 'what?'],
      ]),
    );
    // The present version has nothing to bring up to date.
    const now = readStudioFile(writeStudioFile(read.value.studio, NOW), 'now.json', 'UTC');
    expect(now).toMatchObject({ ok: true, value: { version: 8, listed: [], studio: { damaged: [{}, {}, {}] } } });
  });
  it('has a JSON Schema, as published', () => {
    expect(studioJsonSchema()).toMatchObject({
      $schema: 'https://json-schema.org/draft/2020-12/schema',
      type: 'object',
    });
    expect(JSON.stringify(studioJsonSchema())).toContain('oakrungs-studio');
  });
});
