import type { ReactNode } from 'react';
import { countArticulations } from '@/core/articulation';
import { nextRung } from '@/core/plan';
import { barsText } from '@/core/sections';
import { agoInWords, dayOf, millisecondsOf } from '@/core/studio';
import { useStudio } from '@/store';
import { Button, Panel } from '@/ui';
import { ScoreLines } from '@/features/score';
import { useWhere } from '@/features/where';
import { addMistake, nextRepetition, toggleFacet } from './draft';
import { FacetRow } from './facet-row';
import { LevelBar } from './level-bar';
import { ToHearList } from './to-hear-list';
import { useHearing, type HearingContext } from './use-hearing';

/** Logs of this long ago are shown with a section. */
const LOGS_SHOWN_MS = 8 * 86_400_000;

/** One section after the other: what is heard, the level it comes to, recorded with one key. */
export function Hearing(context: HearingContext): ReactNode {
  const { piece, score, model } = context;
  const { zone } = useStudio();
  const where = useWhere();
  const hearing = useHearing(context);
  const { now, marks, placed, section, standing, draft, edit } = hearing;
  const { student } = model;
  if (!section || !placed || !draft)
    return (
      <Panel title="This piece has no sections yet">
        <p className="mb-3 text-lg text-ink-2">
          Levels are recorded per section. Make the sections of this piece first.
        </p>
        <Button look="primary" big onClick={() => where.go('sections')}>
          Go to Sections
        </Button>
      </Panel>
    );
  const ladder = model.ladders.find((l) => l.sectionId === section.id);
  const done = standing?.rungsDone ?? [];
  const upNext = nextRung(ladder, done)?.id ?? null;
  const ids = new Set(score.notes.filter((n) => n.bar >= placed.from && n.bar <= placed.to).map((n) => n.id));
  const cues = (marks ?? []).flatMap((m) =>
    m.kind === 'cue' && ids.has(m.noteId) && (m.studentId === null || m.studentId === student.id) ? [m.text] : [],
  );
  const printed = countArticulations(score, placed.from, placed.to);
  const given =
    model.assignment?.lessonId === model.current?.id
      ? []
      : (model.assignment?.items.filter((i) => i.sectionId === section.id) ?? []);
  const logs = model.events.flatMap((e) =>
    e.kind === 'practice' && e.sectionId === section.id && millisecondsOf(now) - millisecondsOf(e.at) < LOGS_SHOWN_MS
      ? [e]
      : [],
  );
  const logged = logs.reduce((sum, e) => sum + e.minutes, 0);
  const best = Math.max(0, ...logs.map((e) => e.tempo ?? 0));
  return (
    <div className="flex flex-col gap-3 text-lg">
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[18rem_minmax(0,1fr)_17rem]">
        <ToHearList
          model={model}
          sectionId={section.id}
          recorded={hearing.recorded}
          storing={hearing.storing}
          now={now}
          onChoose={(t) => hearing.choose(t.sectionId, t.pieceId)}
        />
        <Panel
          title={`${section.letter} ${section.name}`}
          aside={
            <span className="text-ink-2">
              bars <span className="figure">{barsText(score, placed.from, placed.to)}</span>
              {standing && standing.level !== null
                ? `, heard ${agoInWords(dayOf(standing.at, zone), dayOf(now, zone))}${standing.tempo === null ? '' : ` at ${standing.tempo}`}`
                : ', not heard yet'}
            </span>
          }
        >
          <ScoreLines
            piece={piece}
            score={score}
            from={placed.from}
            to={placed.to}
            label={`Section ${section.letter}`}
            scale={56}
          />
          {cues.map((cue, i) => (
            <p key={i} className="mt-2 rounded bg-plum-wash px-4 py-2 font-semibold text-plum">
              “{cue}”
            </p>
          ))}
          {given.length > 0 || logged > 0 || standing?.note ? (
            <ul className="mt-3 grid gap-1 border-t border-rule pt-2">
              {given.map((g) => (
                <li key={g.id}>
                  <span className="text-ink-2">For this week:</span> {g.what}
                  {g.tempo === null ? '' : `, at ${g.tempo}`}
                </li>
              ))}
              {logged > 0 ? (
                <li className="text-slate">
                  Practised {Math.round(logged)} minutes on {new Set(logs.map((e) => e.day)).size} days
                  {best > 0 ? `, up to ${best}` : ''}
                </li>
              ) : null}
              {standing?.note ? (
                <li>
                  <span className="text-ink-2">Last time:</span> {standing.note}
                </li>
              ) : null}
            </ul>
          ) : null}
          {printed.length > 0 ? (
            <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label="Printed signs heard">
              <span className="text-ink-2">Printed; tick what you hear:</span>
              {printed.map((p) => (
                <label key={p.sign} className="flex min-h-11 items-center gap-2 rounded border border-rule-strong px-3">
                  <input
                    type="checkbox"
                    className="size-5 accent-leaf"
                    checked={draft.signs[p.sign] === true}
                    onChange={(e) =>
                      edit((d) => ({
                        ...d,
                        signs: {
                          ...Object.fromEntries(printed.map((q) => [q.sign, false])),
                          ...d.signs,
                          [p.sign]: e.target.checked,
                        },
                      }))
                    }
                  />
                  {p.times} {p.sign}
                </label>
              ))}
            </div>
          ) : null}
          <label className="mt-3 block">
            Note <kbd>w</kbd>
            <input
              ref={hearing.noteInput}
              className="field min-h-12 w-full"
              value={draft.note}
              maxLength={1000}
              onChange={(e) => {
                const { value } = e.target;
                edit((d) => ({ ...d, note: value }));
              }}
              onKeyDown={(e) => {
                if (e.key === 'Enter') {
                  e.preventDefault();
                  e.currentTarget.blur();
                }
              }}
            />
          </label>
        </Panel>
        <Panel title="Ladder">
          {ladder ? (
            <ol reversed className="flex flex-col-reverse border-x-4 border-leaf-deep px-1 py-2" aria-label="Rungs">
              {ladder.rungs.map((r) => {
                const climbed = done.includes(r.id);
                return (
                  <li key={r.id} className="my-1 -mx-1.5">
                    <button
                      type="button"
                      aria-pressed={climbed}
                      className={`flex min-h-11 w-full items-center justify-between gap-2 border-2 px-3 py-1 text-left ${
                        r.id === upNext
                          ? 'border-acorn bg-acorn-wash font-semibold'
                          : climbed
                            ? 'border-leaf-deep bg-leaf-wash'
                            : 'border-leaf-deep bg-sheet'
                      }`}
                      onClick={() => hearing.tick(r.id)}
                    >
                      <span>
                        {r.what}
                        {climbed ? <span className="sr-only">, done</span> : null}
                      </span>
                      <span className="figure text-ink-2">{r.tempo ?? ''}</span>
                    </button>
                  </li>
                );
              })}
            </ol>
          ) : (
            <Button onClick={() => where.go('ladder')} big>
              Build a ladder
            </Button>
          )}
        </Panel>
      </div>
      <div className="no-print sticky bottom-0 z-10 bg-ground">
        <FacetRow
          draft={draft}
          asked={hearing.asked}
          tempoText={draft.tempo}
          target={hearing.target}
          tempoInput={hearing.tempoInput}
          why={hearing.why}
          onFacet={(f) => edit((d) => toggleFacet(d, f))}
          onTempo={(tempo) => edit((d) => ({ ...d, tempo }))}
          onTap={hearing.tap}
          onMistake={() => edit(addMistake)}
          onRepetition={() => edit(nextRepetition)}
        />
        <LevelBar
          level={draft.level}
          now={standing?.level ?? null}
          proposed={hearing.proposed}
          last={hearing.last}
          onPick={hearing.pick}
          heard={hearing.heard}
          onRecord={hearing.record}
        />
      </div>
    </div>
  );
}
