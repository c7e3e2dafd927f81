/**
 * `oak chords`, `ornaments`, `breaths` and `dynamics`: thin, they call the core and print; field names are a contract.
 */
import { placeBreaths } from '../src/core/breath';
import { printedDynamics, suggestDynamics } from '../src/core/dynamics';
import { analysisOf, type Analysis } from '../src/core/analysis';
import { rootName } from '../src/core/harmony';
import { instrumentOf } from '../src/core/instruments';
import { ORNAMENT_STYLES, realiseOrnaments } from '../src/core/ornaments';
import { ok, type Result } from '../src/core/result';
import { fractionText, quartersText, tempoAt, type Score } from '../src/core/score';
import { openPiece } from '../src/core/studio';
import { ticks } from '../src/core/units';
import type { OptionValues } from './options';
import { aboutPlayer, chosenPlayer } from './player';

const round = (n: number): number => Number(n.toFixed(3));

async function withScore(
  bytes: Uint8Array,
  file: string,
  options: OptionValues,
  describe: (analysis: Analysis) => object,
): Promise<Result<unknown>> {
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  const { score } = opened.value.read;
  const chosen = chosenPlayer(score, file, options);
  if (!chosen.ok) return chosen;
  const described = describe(analysisOf(score, chosen.value.player));
  return ok({
    ...aboutPlayer(chosen.value),
    ...described,
    warnings: [...chosen.value.warnings, ...('warnings' in described ? (described.warnings as readonly object[]) : [])],
  });
}

const tempoOf = (score: Score, options: OptionValues): number =>
  options['tempo'] === undefined ? tempoAt(score, ticks(0)) : Number(options['tempo']);

export const chordsVerb = (bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> =>
  withScore(bytes, file, options, ({ score, harmony }) => {
    return {
      of: 'all parts',
      beats: harmony.beats.map((b) => ({
        bar: b.bar,
        beat: b.beat,
        onset: quartersText(score, b.onset),
        symbol: b.symbol,
        degree: b.degree,
        notes: b.notes,
        flags: b.flags,
        certainty: b.certainty,
        ...(b.alternatives.length > 0 ? { alternatives: b.alternatives } : {}),
        ...(b.printed ? { printed: true } : {}),
        ...(b.heard === null ? {} : { heard: b.heard }),
      })),
      keys: harmony.keys.map((k) => ({
        from: k.from,
        to: k.to,
        tonic: rootName(k.tonic, k),
        mode: k.mode,
        certainty: k.certainty,
      })),
      cadences: harmony.cadences.map((c) => ({ bar: c.bar, beat: c.beat, kind: c.kind, perfect: c.perfect })),
      pedals: harmony.pedals.map((p) => ({ from: p.from, to: p.to, note: p.name })),
      sequences: harmony.sequences.map((s) => ({ from: s.from, to: s.to, semitones: s.steps, times: s.times })),
    };
  });

export const ornamentsVerb = (bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> =>
  withScore(bytes, file, options, ({ played: score }) => {
    const style = ORNAMENT_STYLES.find((s) => s === options['style']) ?? 'early';
    return {
      ornaments: realiseOrnaments(score, style, tempoOf(score, options)).map((o) => ({
        noteId: o.noteId,
        kind: o.kind,
        notes: o.notes.map((n) => ({ onset: fractionText(n.onset), duration: fractionText(n.duration), midi: n.midi })),
        notesPerSecond: round(o.notesPerSecond),
        tooFast: o.tooFast,
      })),
    };
  });

export const breathsVerb = (bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> =>
  withScore(bytes, file, options, ({ played: score, phraseEnds, player }) => {
    const { name, breathes } = instrumentOf(player.instrument ?? 'other');
    const isBlown = player.instrument === undefined || player.instrument === 'other' || breathes;
    const plan = placeBreaths(
      score,
      tempoOf(score, options),
      // Whose player does not breathe has one span, however long.
      !isBlown ? Infinity : options['span'] === undefined ? 8 : Number(options['span']),
      { phraseEnds },
    );
    const q = (t: number): string => quartersText(score, t);
    return {
      breaths: (isBlown ? plan.breaths : []).map((b) => ({
        afterNoteId: b.afterNoteId,
        bar: b.bar,
        onset: q(b.onset),
        reason: b.reason,
        printed: b.printed,
        catch: b.catch,
        margin: b.margin,
      })),
      spans: plan.spans.map((s) => ({
        from: q(s.from),
        to: q(s.to),
        fromBar: s.fromBar,
        toBar: s.toBar,
        seconds: round(s.seconds),
      })),
      warnings: [
        ...(isBlown
          ? []
          : [{ code: 'no-breath', message: `Breaths are for winds and the voice; this part is for the ${name}.` }]),
        ...plan.warnings.map((w) => ({
          code: w.code,
          fromBar: w.fromBar,
          toBar: w.toBar,
          seconds: round(w.seconds),
          tempo: w.tempo,
          message: w.message,
        })),
      ],
    };
  });

export const dynamicsVerb = (bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> =>
  withScore(bytes, file, options, ({ played: score, player, sameness, sections, harmony }) => ({
    printed: printedDynamics(score).map((d) => ({
      bar: d.bar,
      onset: quartersText(score, d.onset),
      level: d.level,
      part: d.part,
      staff: d.staff,
    })),
    suggested: suggestDynamics(score, sameness, sections, harmony, player.instrument ?? 'other').map((d) => ({
      bar: d.bar,
      onset: quartersText(score, d.onset),
      level: d.level,
      reason: d.reason,
      kind: d.kind,
      noteId: d.noteId,
      toNoteId: d.toNoteId,
    })),
  }));
