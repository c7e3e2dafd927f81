import { ok, type Result } from '../src/core/result';
import {
  meterText,
  pickupLength,
  playedSeconds,
  playingOrder,
  quartersText,
  transpositionInSemitones,
  type Score,
} from '../src/core/score';
import { partName, playerChoices } from '../src/core/players';
import { openPiece } from '../src/core/studio';
import type { OptionValues } from './options';

/** What `oak read` prints; field names are a contract. */
export function describeScore(score: Score): object {
  const q = (length: number): string => quartersText(score, length);
  const { order } = playingOrder(score.bars);
  const written = score.bars.reduce((sum, bar) => sum + bar.length, 0);
  const played = order.reduce((sum, index) => sum + (score.bars[index]?.length ?? 0), 0);
  return {
    title: score.title,
    composer: score.composer,
    origin: score.origin,
    parts: score.parts.map((p) => ({
      id: p.id,
      name: partName(p),
      staves: p.staves,
      transpose: transpositionInSemitones(p.transpose),
    })),
    players: playerChoices(score).map((c) => ({
      part: c.key,
      name: c.name,
      instrument: c.told.instrument,
      toldBy: c.told.by,
      sure: c.told.sure,
      range: c.range,
      notes: c.notes,
      restBars: c.restBars,
    })),
    bars: score.bars.map((b) => ({
      bar: b.index,
      id: b.id,
      number: b.number,
      quarters: q(b.length),
      onset: q(b.onset),
      meter: meterText(b.meter),
      ...(b.meter.ours ? { meterPrinted: false } : {}),
      key: { fifths: b.key.fifths, mode: b.key.mode },
    })),
    pickupQuarters: q(pickupLength(score)),
    playingOrder: order,
    writtenQuarters: q(written),
    playedQuarters: q(played),
    playedSeconds: Number(playedSeconds(score, order).toFixed(6)),
    notes: score.notes.map((n) => ({
      id: n.id,
      part: n.part,
      staff: n.staff,
      voice: n.voice,
      bar: n.bar,
      onset: q(n.onset),
      duration: q(n.duration),
      pitch: n.pitch,
      midi: n.midi,
      grace: n.grace !== null,
      tie: n.tie,
    })),
    ornaments: score.notes.flatMap((n) => n.marks.ornaments.map((o) => ({ noteId: n.id, kind: o.kind }))),
    tempos: score.tempos.map((t) => ({ bar: t.bar, onset: q(t.onset), bpm: t.bpm })),
    warnings: score.warnings.map((w) => ({
      code: w.code,
      bar: w.bar,
      number: w.number,
      part: w.part,
      message: w.message,
    })),
  };
}

export async function readVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  const { read, scores } = opened.value;
  return ok({ ...describeScore(read.score), ...(scores ? { scores: scores.paths } : {}) });
}
