import { fingerScore } from '../src/core/fingering';
import { isInstrumentId } from '../src/core/instruments';
import { fail, ok, type Result } from '../src/core/result';
import { quartersText } from '../src/core/score';
import { openPiece } from '../src/core/studio';
import { tooLongToFinger } from './limits';
import type { OptionValues } from './options';

export async function fingerVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const instrument = options['instrument'] ?? 'piano';
  if (!isInstrumentId(instrument)) return fail('bad-option', `--instrument "${instrument}" is not known.`);
  const opened = await openPiece(bytes, file);
  if (!opened.ok) return opened;
  const { score } = opened.value.read;
  const refused = tooLongToFinger(score, file);
  if (refused) return refused;
  const { hand, span } = options;
  const fingering = fingerScore(score, {
    instrument,
    hand: hand === 'right' || hand === 'left' ? hand : 'auto',
    ...(span === undefined ? {} : { spanInSemitones: Number(span) }),
  });
  const byId = new Map(score.notes.map((n) => [n.id, n]));
  const order = new Map(score.notes.map((n, i) => [n.id, i]));
  return ok({
    notes: [...fingering.notes]
      .sort((a, b) => (order.get(a.noteId) ?? 0) - (order.get(b.noteId) ?? 0))
      .map((f) => {
        const note = byId.get(f.noteId);
        return {
          id: f.noteId,
          bar: f.bar,
          onset: note ? quartersText(score, note.onset) : '0',
          midi: note?.midi ?? null,
          ...(f.hand ? { hand: f.hand } : {}),
          ...(f.finger === '' ? {} : { finger: Number.isNaN(Number(f.finger)) ? f.finger : Number(f.finger) }),
          ...(f.string === undefined ? {} : { string: f.string }),
          ...(f.fret === undefined ? {} : { fret: f.fret }),
          ...(f.position === undefined ? {} : { position: f.position }),
          ...(f.keys === undefined ? {} : { keys: f.keys, alternates: f.alternates ?? [] }),
          why: f.why,
        };
      }),
    cost: Number(fingering.cost.toFixed(6)),
    optimal: fingering.optimal,
    warnings: fingering.warnings,
  });
}
