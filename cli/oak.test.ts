import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';

const folder = mkdtempSync(join(tmpdir(), 'oak-cli-'));
const oak = (...args: string[]) => spawnSync('node', ['cli/start.mjs', ...args], { encoding: 'utf8' });
// Compiled before the tests run beside each other.
beforeAll(() => void oak('schema'), 60_000);
const PIECE = 'tests/pieces/petzold-menuet.musicxml';

describe('oak', () => {
  it('reads a piece to one JSON value with exact quarters', () => {
    const { status, stdout, stderr } = oak('read', PIECE);
    expect([status, stderr]).toEqual([0, '']);
    const piece = JSON.parse(stdout) as {
      playingOrder: number[];
      writtenQuarters: string;
      playedQuarters: string;
      pickupQuarters: string;
      notes: Record<string, unknown>[];
    };
    // 16 bars of 3/4, repeated once: facts of the printed page.
    expect([piece.writtenQuarters, piece.playedQuarters, piece.pickupQuarters, piece.playingOrder.length]).toEqual([
      '48',
      '96',
      '0',
      32,
    ]);
    expect(piece.notes[0]).toMatchObject({ bar: 0, onset: '0', duration: '2', midi: 55, grace: false, tie: null });
  });

  it('gives one line a file, a bad one its error, and ends with 2', () => {
    writeFileSync(join(folder, 'bad.xml'), '<html></html>');
    const { status, stdout, stderr } = oak('read', PIECE, join(folder, 'bad.xml'));
    const lines = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { file: string; error?: { code: string } });
    expect(lines.map((l) => l.error?.code ?? 'read')).toEqual(['read', 'is-html']);
    expect(status).toBe(2);
    expect(stderr).toMatch(/^error: is-html: .*\n$/);
  });

  it.each([
    [['sing', PIECE], 'unknown-verb'],
    [['read'], 'no-file'],
    [['read', PIECE, '--loud'], 'unknown-option'],
    [['count', PIECE, '--bars', 'x'], 'bad-option'],
    [['read', '/no/such/file'], 'no-such-file'],
  ])('%j ends with 2 and one line that names %s', (args, code) => {
    const { status, stdout, stderr } = oak(...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(new RegExp(`^error: ${code}: .+\n$`));
  });

  it('writes the same bytes back without marks, and marks where they are asked for', () => {
    const out = join(folder, 'out.musicxml');
    expect(oak('write', PIECE, '-o', out).status).toBe(0);
    expect(readFileSync(out, 'utf8')).toBe(readFileSync(PIECE, 'utf8'));
    const marks = join(folder, 'marks.json');
    writeFileSync(
      marks,
      JSON.stringify([
        { kind: 'finger', noteId: 'p1-b1-n1', finger: '5' },
        { kind: 'finger', noteId: 'gone', finger: '1' },
      ]),
    );
    expect(JSON.parse(oak('write', PIECE, '--marks', marks, '-o', out).stdout)).toEqual({
      written: out,
      added: 1,
      unplaced: ['gone'],
    });
    expect(readFileSync(out, 'utf8')).toContain('<fingering>5</fingering>');
  });

  it('writes the sheet for home as one file that reaches nothing else', () => {
    const out = join(folder, 'sheet.html');
    const marks = join(folder, 'cues.json');
    const hostile = '</script><img src=x onerror=alert(1)>';
    writeFileSync(
      marks,
      JSON.stringify([
        { kind: 'finger', noteId: 'p1-b1-n1', finger: '5' },
        { kind: 'cue', noteId: 'p1-b1-n1', text: hostile },
      ]),
    );
    const { status, stdout, stderr } = oak('sheet', PIECE, '--marks', marks, '--bars', '0-3', '-o', out);
    expect([status, stderr]).toEqual([0, '']);
    const page = readFileSync(out, 'utf8');
    expect(JSON.parse(stdout)).toMatchObject({ written: out, bytes: Buffer.byteLength(page), bars: [0, 3] });
    expect(Buffer.byteLength(page)).toBeLessThan(1_000_000);
    const has = (text: string, of = page): boolean => of.includes(text);
    expect(has('default-src &#x27;none&#x27;; script-src &#x27;sha256-')).toBe(true);
    expect(has(hostile)).toBe(false);
    // Nothing is loaded from anywhere: no address of a script, a picture, a face or a style sheet leads out of it.
    expect(page.match(/(?:\ssrc|\shref|@import|url\()\s*=?\s*["'(]?\s*(?:https?:)?\/\//g)).toBeNull();
    const blank = join(folder, 'blank.html');
    expect(oak('sheet', PIECE, '--bars', '0-3', '--blank', '-o', blank).status).toBe(0);
    expect([has('>▢<', readFileSync(blank, 'utf8')), has('>▢<')]).toEqual([true, false]);
  });

  it('answers many files in their order, in as many threads as there are, as it answers each', () => {
    const files = ['ode', 'twinkle', 'jingle', 'sevens', 'au-clair', 'surprise', 'hanon-1', 'prelude-c', 'lightly-row'];
    const paths = files.map((name) => `tests/pieces/${name}.abc`);
    paths.splice(3, 0, '/no/such.abc');
    const { status, stdout, stderr } = oak('sections', ...paths);
    const lines = stdout.trim().split('\n');
    expect(lines.map((line) => (JSON.parse(line) as { file: string }).file)).toEqual(paths);
    expect(lines[3]).toContain('no-such-file');
    expect([status, stderr]).toEqual([2, 'error: no-such-file: /no/such.abc cannot be opened; check its name.\n']);
    const alone = JSON.parse(oak('sections', paths[8] ?? '').stdout) as object;
    expect(JSON.parse(lines[8] ?? '')).toEqual({ file: paths[8], ...alone });
  });

  it.each([
    [['sheet', PIECE], 'bad-option'],
    [['sheet', PIECE, '--bars', 'x', '-o', 'y.html'], 'bad-option'],
    [['sheet', PIECE, '--bars', '90-99', '-o', 'y.html'], 'no-such-bars'],
    [['sheet', PIECE, '--marks', '/no/such.json', '-o', 'y.html'], 'bad-marks'],
    [['sheet', PIECE, '--bars', '0-1', '-o', '/no/such/folder/y.html'], 'cannot-write'],
  ])('%j writes nothing and names %s', (args, code) => {
    const { status, stdout, stderr } = oak(...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(new RegExp(`^error: ${code}: .+\n$`));
  });
});
