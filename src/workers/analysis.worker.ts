import { expose } from 'comlink';
import { analysisOf, type Analysis } from '@/core/analysis';
import { findGestures } from '@/core/articulation';
import { placeBreaths, proposeBowing, punctuatePhrases } from '@/core/breath';
import { suggestDynamics } from '@/core/dynamics';
import { fingerScore } from '@/core/fingering';
import { placeSections } from '@/core/sections';
import { keptShapes, proposeWay } from '@/core/way';
import { playedBy, stringsOf, type Player } from '@/core/players';
import { realiseOrnaments } from '@/core/ornaments';
import { ok, type Result } from '@/core/result';
import { rhythmFamilies } from '@/core/sameness';
import { loadedPieces } from './loaded-pieces';
import type { AnalysisWorkerApi, LoadedPiece } from './protocol';

const pieces = loadedPieces();

/** An answer from the analysis of a piece. */
function analysed<T>(loaded: LoadedPiece, player: Player, answer: (analysis: Analysis) => T): Result<T> {
  const read = pieces.readOf(loaded);
  if (!read.ok) return read;
  return ok(answer(analysisOf(read.value.score, player)));
}

const api: AnalysisWorkerApi = {
  async analyse(loaded, player, progress) {
    const read = pieces.readOf(loaded);
    if (!read.ok) return read;
    const { score } = read.value;
    const analysis = analysisOf(score, player ?? undefined);
    await progress(0.1);
    const { sameness } = analysis;
    await progress(0.6);
    const { sections } = analysis;
    await progress(0.8);
    const { payOff, difficulties, corners } = analysis;
    const families = rhythmFamilies(analysis.played);
    return ok({ ...sameness, sections, families, payOff, difficulties, corners });
  },
  atFirstSight: (loaded, player) =>
    Promise.resolve(
      analysed(loaded, player, ({ atFirstSight: { difficulties, corners } }) => ({
        scores: difficulties.map((d) => d.score),
        corners: corners.map((c) => c.bar),
      })),
    ),
  finger: (loaded, player, request) => {
    const read = pieces.readOf(loaded);
    if (!read.ok) return Promise.resolve(read);
    const { score } = read.value;
    return Promise.resolve(ok(fingerScore(playedBy(score, player), { ...stringsOf(score, player), ...request })));
  },
  marking: (loaded, player, request) =>
    Promise.resolve(
      analysed(loaded, player, ({ played: score, sameness, sections, harmony, phraseEnds }) => ({
        harmony,
        dynamics: suggestDynamics(score, sameness, sections, harmony, request.instrument),
        breaths: request.breathes
          ? placeBreaths(score, request.tempo, request.breathSpanInSeconds, {
              strictTime: request.strictTime,
              phraseEnds,
            })
          : null,
        bowing: request.bowed ? proposeBowing(score) : null,
        phrases: punctuatePhrases(
          score,
          sections.flatMap((s) => s.phrases),
          harmony,
        ),
        ornaments: realiseOrnaments(score, request.style, request.tempo, request.styles),
        gestures: request.technique === null ? [] : findGestures(score, request.technique, request.ownCues),
      })),
    ),
  way: (loaded, player, kept, request) =>
    Promise.resolve(
      analysed(loaded, player, (analysis) => {
        const shapes = keptShapes(analysis.score, placeSections(analysis.score, kept), analysis.sections);
        const { played, sections, sameness, difficulties, corners, entries, accompanied } = analysis;
        return proposeWay(
          {
            played,
            player,
            sections: shapes.length > 0 ? shapes : sections,
            sameness,
            difficulties,
            corners,
            entries,
            accompanied,
          },
          request,
        );
      }),
    ),
};

expose(api);
