import { useState, type ReactNode } from 'react';
import type { countArticulations } from '@/core/articulation';
import type { AtHome } from '@/core/plan';
import { inBeats, type TempoUnit } from '@/core/score';
import { barsText } from '@/core/sections';
import { agoInWords, dayOf } from '@/core/studio';
import { useStudio } from '@/store';
import { Button, counted, Panel } from '@/ui';
import { useKey } from '@/features/keys';
import { MarkedMusic, PieceStand } from '@/features/marks';
import { MusicSizeChoice, useMusicSize } from '@/features/score';
import type { HearingContext, HearingModel } from './use-hearing';

/** Of the music in the lesson. */
const SCALE = 56;

interface InHand {
  readonly context: HearingContext;
  readonly hearing: HearingModel;
}

/** When the section was heard last, and at which tempo. */
function HeardLast({ hearing: { standing, lastTempo, now } }: Pick<InHand, 'hearing'>): ReactNode {
  const { zone } = useStudio();
  if (!standing || standing.level === null) return ', not heard yet';
  const at = lastTempo === null ? '' : ` at ${lastTempo}`;
  return `, heard ${agoInWords(dayOf(standing.at, zone), dayOf(now, zone))}${at}`;
}

/** What happened at home since the last lesson. */
function HappenedAtHome({ home, unit }: { readonly home: AtHome; readonly unit: TempoUnit }): ReactNode {
  const { minutes, days, judged, right, fastest, tapped } = home;
  return (
    <li className="text-slate">
      Practised {counted(minutes, 'minute')} on {counted(days, 'day')}
      {fastest === null ? '' : `, up to ${inBeats(fastest, unit)}`}
      {judged > 0 ? `, ${right} of ${judged} right` : ''}
      {tapped ? `, tapped ${tapped.right} of ${tapped.of} in time` : ''}
    </li>
  );
}

/** What was given for this week, what was practised, and the note of last time. */
function SinceLastTime({ context: { model }, hearing }: InHand): ReactNode {
  const { section, standing, unit, home } = hearing;
  const given =
    model.assignment?.lessonId === model.current?.id
      ? []
      : (model.assignment?.items.filter((i) => i.sectionId === section?.id) ?? []);
  const note = standing?.note ?? '';
  if (given.length === 0 && home === null && note === '') return null;
  return (
    <ul className="mt-3 grid gap-1 border-t border-rule pt-2">
      {given.map((g) => (
        <li key={g.id}>
          <span className="text-ink-2">For this week:</span> {g.what}
          {g.tempo === null ? '' : `, at ${inBeats(g.tempo, unit)}`}
        </li>
      ))}
      {home === null ? null : <HappenedAtHome home={home} unit={unit} />}
      {note === '' ? null : (
        <li>
          <span className="text-ink-2">Last time:</span> <span translate="no">{note}</span>
        </li>
      )}
    </ul>
  );
}

/** The printed signs of the section, ticked as they are heard. */
function PrintedSigns({
  printed,
  hearing: { draft, edit },
}: {
  readonly printed: ReturnType<typeof countArticulations>;
  readonly hearing: HearingModel;
}): ReactNode {
  if (printed.length === 0 || !draft) return null;
  const none = Object.fromEntries(printed.map((q) => [q.sign, false]));
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label="Printed signs heard">
      <span className="text-ink-2">Printed; tick what you hear:</span>
      {printed.map((p) => (
        <label key={p.sign} className="flex min-h-11 items-center gap-2 rounded border border-rule-strong px-3">
          <input
            type="checkbox"
            className="size-5 accent-leaf"
            checked={draft.signs[p.sign] === true}
            onChange={(e) => {
              const { checked } = e.target;
              edit((d) => ({ ...d, signs: { ...none, ...d.signs, [p.sign]: checked } }));
            }}
          />
          {p.times} {p.sign}
        </label>
      ))}
    </div>
  );
}

/** The section that is heard: its music with its marks, what was done since last time, its printed signs, a note. */
export function SectionInHand({
  context,
  hearing,
  printed,
}: InHand & { readonly printed: ReturnType<typeof countArticulations> }): ReactNode {
  const { score, played, model } = context;
  const { section, placed, draft, marks, edit } = hearing;
  const [stand, setStand] = useState(false);
  const { factor } = useMusicSize('lesson');
  useKey('lesson.stand', () => setStand(true));
  if (!section || !placed || !draft) return null;
  const ids = new Set(played.notes.filter((n) => n.bar >= placed.from && n.bar <= placed.to).map((n) => n.id));
  const cues = (marks ?? []).flatMap((m) =>
    m.kind === 'cue' && ids.has(m.noteId) && (m.studentId === null || m.studentId === model.student.id) ? [m.text] : [],
  );
  return (
    <Panel
      title={`${section.letter} ${section.name}`.trim()}
      aside={
        <span className="flex flex-wrap items-center gap-2 text-ink-2">
          <span>
            bars <span className="figure">{barsText(score, placed.from, placed.to)}</span>
            <HeardLast hearing={hearing} />
          </span>
          <span className="hidden sm:inline">
            <MusicSizeChoice stage="lesson" />
          </span>
          <Button look="quiet" shortcut="S" className="min-h-11" onClick={() => setStand(true)}>
            Stand
          </Button>
        </span>
      }
    >
      {stand ? <PieceStand context={context} onClose={() => setStand(false)} /> : null}
      <MarkedMusic
        context={context}
        from={placed.from}
        to={placed.to}
        label={section.letter === '' ? section.name : `Section ${section.letter}`}
        scale={Math.round(SCALE * factor)}
        cuesBeside
      />
      {cues.map((cue, i) => (
        <p key={i} translate="no" className="mt-2 rounded bg-plum-wash px-4 py-2 font-semibold text-plum">
          “{cue}”
        </p>
      ))}
      <SinceLastTime context={context} hearing={hearing} />
      <PrintedSigns printed={printed} hearing={hearing} />
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
  );
}
