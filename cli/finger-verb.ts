import { fingerScore } from '../src/core/fingering';
import { playedBy, stringsOf } from '../src/core/players';
import { ok, type Result } from '../src/core/result';
import { quartersText } from '../src/core/score';
import { openPiece } from '../src/core/studio';
import { tooLongToFinger } from './limits';
import { aboutPlayer, chosenPlayer } from './player';
import type { OptionValues } from './options';

export async function fingerVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  const chosen = chosenPlayer(opened.value.read.score, file, options);
  if (!chosen.ok) return chosen;
  const { player } = chosen.value;
  const score = playedBy(opened.value.read.score, player);
  const refused = tooLongToFinger(score, file);
  if (refused) return refused;
  const { hand, span } = options;
  const fingering = fingerScore(score, {
    instrument: player.instrument ?? 'piano',
    ...stringsOf(opened.value.read.score, player),
    margins: true,
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
          ...(f.extended ? { extended: true } : {}),
          ...(f.keys === undefined ? {} : { keys: f.keys, alternates: f.alternates ?? [] }),
          ...(f.margin === undefined ? {} : { margin: f.margin }),
          ...(f.alternatives === undefined ? {} : { alternatives: f.alternatives }),
          ...(f.printed ? { printed: true } : {}),
          why: f.why,
        };
      }),
    cost: Number(fingering.cost.toFixed(6)),
    optimal: fingering.optimal,
    ...aboutPlayer(chosen.value),
    warnings: [...chosen.value.warnings, ...fingering.warnings],
  });
}
