/**
 * What each verb prints, by the contract of the command line: names and kinds of its fields, lengths as exact
 * quarters. More fields may be there; these keep their names.
 */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { runVerb, type VerbName } from '../../cli/verbs';
import { parseArguments } from '../../cli/options';

const quarters = z.string().regex(/^-?\d+(\/\d+)?$/);
const bar = z.number().int().min(0);
const range = z.tuple([bar, bar]);
const words = z.string().min(1);
const pitch = z.object({
  step: z.enum(['A', 'B', 'C', 'D', 'E', 'F', 'G']),
  alter: z.number(),
  octave: z.number().int(),
});

const SHAPES = {
  read: z.object({
    title: z.string(),
    composer: z.string(),
    parts: z.array(z.object({ id: words, name: z.string(), staves: z.number().int(), transpose: z.unknown() })).min(1),
    bars: z
      .array(
        z.object({
          bar,
          id: words,
          number: z.string(),
          quarters,
          meter: z.string(),
          key: z.object({ fifths: z.number().int(), mode: z.string().nullable() }),
        }),
      )
      .min(1),
    pickupQuarters: quarters,
    playingOrder: z.array(bar).min(1),
    writtenQuarters: quarters,
    playedQuarters: quarters,
    playedSeconds: z.number().positive(),
    notes: z
      .array(
        z.object({
          id: words,
          part: words,
          staff: z.number().int().min(1),
          voice: z.string(),
          bar,
          onset: quarters,
          duration: quarters,
          pitch: pitch.nullable(),
          midi: z.number().int().nullable(),
          grace: z.boolean(),
          tie: z.enum(['start', 'continue', 'stop']).nullable(),
        }),
      )
      .min(1),
    ornaments: z.array(z.object({ noteId: words, kind: words })),
    warnings: z.array(z.object({ code: words, bar: bar.nullable(), part: z.string().nullable(), message: words })),
  }),
  sections: z.object({
    sections: z
      .array(z.object({ name: words, letter: words, from: bar, to: bar, reasons: z.array(words).min(1) }))
      .min(1),
    repeats: z.array(
      z.object({
        kind: z.enum(['exact', 'changed', 'moved', 'sequence', 'rhythm']),
        part: z.string().nullable(),
        staff: z.number().int().nullable(),
        a: range,
        b: range,
        semitones: z.number().int().nullable(),
        differences: z.array(z.object({ bar, noteIds: z.array(words) })),
      }),
    ),
    rhythmFamilies: z.array(z.object({ part: words, staff: z.number().int(), bars: z.array(bar), count: z.string() })),
    payoff: z.array(z.object({ bars: z.array(bar).min(1), sharePlayed: z.number().min(0).max(1) })).min(1),
    corners: z.array(z.object({ bar, score: z.number().min(0).max(10), reasons: z.array(words) })),
  }),
  finger: z.object({
    notes: z
      .array(
        z.object({
          id: words,
          bar,
          onset: quarters,
          midi: z.number().int().nullable(),
          hand: z.enum(['right', 'left']).optional(),
          finger: z.union([z.number().int().min(0).max(5), words]).optional(),
          string: z.number().int().min(1).optional(),
          fret: z.number().int().min(0).optional(),
          position: z.string().optional(),
          keys: z.string().optional(),
        }),
      )
      .min(1),
    cost: z.number(),
    optimal: z.boolean(),
    warnings: z.array(z.unknown()),
  }),
  count: z.object({
    bars: z
      .array(
        z.object({
          bar,
          part: words,
          staff: z.number().int(),
          tokens: z.array(z.object({ onset: quarters, text: words, sounding: z.boolean() })).min(1),
        }),
      )
      .min(1),
  }),
  chords: z.object({
    beats: z
      .array(
        z.object({
          bar,
          beat: z.number(),
          onset: quarters,
          symbol: z.string().nullable(),
          degree: z.string().nullable(),
          notes: z.array(z.unknown()),
          flags: z.array(z.unknown()),
        }),
      )
      .min(1),
    keys: z.array(z.object({ from: bar, to: bar, tonic: z.unknown(), mode: z.enum(['major', 'minor']) })).min(1),
    pedals: z.array(z.unknown()),
    sequences: z.array(z.unknown()),
  }),
  ornaments: z.object({
    ornaments: z.array(
      z.object({
        noteId: words,
        kind: words,
        notes: z.array(z.object({ onset: quarters, duration: quarters, midi: z.number().int() })).min(1),
      }),
    ),
  }),
  breaths: z.object({
    breaths: z.array(z.object({ afterNoteId: words, bar, onset: quarters, reason: words })),
    spans: z.array(z.object({ from: z.unknown(), to: z.unknown(), seconds: z.number().positive() })).min(1),
    warnings: z.array(z.unknown()),
  }),
  dynamics: z.object({
    printed: z.array(z.unknown()),
    suggested: z.array(z.object({ bar, onset: quarters, level: words, reason: words })),
  }),
  way: z.object({
    steps: z
      .array(
        z.object({
          chunk: z.object({
            name: words,
            from: bar,
            to: bar,
            fromOffset: quarters,
            toOffset: quarters,
            hand: words,
            kind: z.enum(['section', 'phrase', 'chunk', 'join', 'piece']),
            like: range.nullable(),
          }),
          why: words,
          pays: z.number().min(0).max(1),
          minutes: z.number().min(0),
          week: z.number().int().min(1),
        }),
      )
      .min(1),
    weeks: z.number().int().min(1),
    minutes: z.number().positive(),
  }),
  ladder: z.object({
    chunks: z.array(z.object({ name: words, from: bar, to: bar, why: words })).min(1),
    rungs: z
      .array(
        z.object({
          chunk: words,
          kind: words,
          hands: words,
          bars: range,
          tempo: z.number().positive(),
          times: z.number().int().min(1),
          done: words,
        }),
      )
      .min(1),
    minutes: z.number().positive(),
  }),
} as const satisfies Partial<Readonly<Record<VerbName, z.ZodType>>>;

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
/** A melody of our own with most of what a page has: pick-up, tie, triplet, ornament, grace note, dynamics, repeat. */
const TUNE = `X:1
T:Lantern walk
C:nobody
M:3/4
L:1/8
Q:1/4=84
K:G
D2|:!p!G2 A2 B2|Tc4 {d}B2|(3ABc d2-d2|e2 d2 c2|B2 A2 G2|!f!A2 F2 D2|G6:|
`;
const PIECES: Readonly<Record<string, Uint8Array>> = {
  'a menuet for keyboard': readFileSync('tests/pieces/petzold-menuet.musicxml'),
  'a tune for one voice': bytes(TUNE),
};
const value = async (verb: VerbName, piece: Uint8Array, options: Readonly<Record<string, string>> = {}) => {
  const result = await runVerb(verb, piece, 'piece', options);
  if (!result.ok) throw new Error(`${result.issue.code}: ${result.issue.message}`);
  return JSON.parse(JSON.stringify(result.value)) as unknown;
};

describe.each(Object.entries(PIECES))('of %s', (_, piece) => {
  it.each(Object.keys(SHAPES) as (keyof typeof SHAPES)[])('%s prints what it should', async (verb) => {
    const parsed = SHAPES[verb].safeParse(await value(verb, piece));
    expect(parsed.success ? [] : parsed.error.issues.slice(0, 5)).toEqual([]);
  });
  it('read has its notes in order of onset, then pitch, and bars that follow one another', async () => {
    const read = SHAPES.read.parse(await value('read', piece));
    const asNumber = (text: string): number => {
      const [n = '0', d = '1'] = text.split('/');
      return Number(n) / Number(d);
    };
    read.notes.forEach((note, i) => {
      const before = read.notes[i - 1];
      if (!before) return;
      const later = asNumber(note.onset) - asNumber(before.onset);
      expect(later).toBeGreaterThanOrEqual(0);
      if (later === 0 && !note.grace && !before.grace) expect(note.midi ?? 0).toBeGreaterThanOrEqual(before.midi ?? 0);
    });
    expect(read.bars.map((b) => b.bar)).toEqual(read.bars.map((__, i) => i));
    const written = read.bars.reduce((sum, b) => sum + asNumber(b.quarters), 0);
    expect(asNumber(read.writtenQuarters)).toBeCloseTo(written, 9);
    const played = read.playingOrder.reduce((sum, b) => sum + asNumber(read.bars[b]?.quarters ?? '0'), 0);
    expect(asNumber(read.playedQuarters)).toBeCloseTo(played, 9);
  });
  it('pay-off never falls and ends with everything', async () => {
    const { payoff } = SHAPES.sections.parse(await value('sections', piece));
    payoff.forEach((step, i) => expect(step.sharePlayed).toBeGreaterThanOrEqual(payoff[i - 1]?.sharePlayed ?? 0));
    expect(payoff[payoff.length - 1]?.sharePlayed).toBe(1);
  });
});

describe('options', () => {
  it('of finger are followed: strings have strings, winds keys, a keyboard hands', async () => {
    const tune = PIECES['a tune for one voice'] ?? bytes('');
    const of = async (instrument: string) => SHAPES.finger.parse(await value('finger', tune, { instrument })).notes;
    expect((await of('violin')).every((n) => n.string !== undefined && n.hand === undefined)).toBe(true);
    expect((await of('guitar')).every((n) => n.string !== undefined && n.fret !== undefined)).toBe(true);
    expect((await of('flute')).every((n) => n.keys !== undefined && n.string === undefined)).toBe(true);
    expect((await of('piano')).every((n) => n.hand !== undefined && n.keys === undefined)).toBe(true);
    const left = SHAPES.finger.parse(await value('finger', tune, { instrument: 'piano', hand: 'left' })).notes;
    expect(left.every((n) => n.hand === 'left')).toBe(true);
  });
  it('of count choose the bars and the words', async () => {
    const tune = PIECES['a tune for one voice'] ?? bytes('');
    const of = async (options: Readonly<Record<string, string>>) =>
      SHAPES.count.parse(await value('count', tune, options)).bars;
    expect((await of({ bars: '4-5' })).map((b) => b.bar)).toEqual([4, 5]);
    expect((await of({ bars: '4' }))[0]?.tokens.map((t) => t.text)).toEqual(['1', '2', '3']);
    expect((await of({ bars: '3', system: 'meter' }))[0]?.tokens.map((t) => t.text)).not.toEqual(
      (await of({ bars: '3', system: 'takadimi' }))[0]?.tokens.map((t) => t.text),
    );
  });
  it('of breaths: a shorter breath breathes more often', async () => {
    const tune = PIECES['a tune for one voice'] ?? bytes('');
    const of = async (span: string) =>
      SHAPES.breaths.parse(await value('breaths', tune, { span, tempo: '60' })).breaths.length;
    expect(await of('4')).toBeGreaterThan(await of('20'));
  });
  it('of ladder: a faster target is reached, from the start or from the end', async () => {
    const tune = PIECES['a tune for one voice'] ?? bytes('');
    const of = async (options: Readonly<Record<string, string>>) =>
      SHAPES.ladder.parse(await value('ladder', tune, options));
    const quick = await of({ tempo: '132', school: 'start', level: 'beginner' });
    expect(Math.max(...quick.rungs.map((r) => r.tempo))).toBe(132);
    expect(quick.chunks[0]?.from).toBe(0);
    expect((await of({ school: 'end' })).chunks[0]?.from).toBe(4);
  });
  const SHAPE = { name: { kind: 'text' }, loud: { kind: 'flag' }, n: { kind: 'number', min: 1, max: 5 } } as const;
  it('are read with a space or an equals sign, files as they stand, after -- whatever they are called', () => {
    const parsed = (...args: string[]) => parseArguments(args, SHAPE);
    expect(parsed('a.xml', '--name', 'x y', '--loud', 'b.xml', '--n=3')).toEqual({
      ok: true,
      value: { files: ['a.xml', 'b.xml'], options: { name: 'x y', loud: '', n: '3' } },
    });
    expect(parsed('--', '--name', '-')).toMatchObject({ value: { files: ['--name', '-'], options: {} } });
    expect(parsed('--name=a=b')).toMatchObject({ value: { options: { name: 'a=b' } } });
  });
  it.each([
    [['--name'], 'bad-option'],
    [['--n', '6'], 'bad-option'],
    [['--n', 'many'], 'bad-option'],
    [['--n', ''], 'bad-option'],
    [['--soft'], 'unknown-option'],
    [['-x'], 'unknown-option'],
  ])('%j are refused with %s, naming what is meant', (args, code) => {
    const parsed = parseArguments(args, SHAPE);
    expect(parsed).toMatchObject({ ok: false, issue: { code } });
    expect(!parsed.ok && parsed.issue.message.length).toBeGreaterThan(15);
  });
});
