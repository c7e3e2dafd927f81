import { useState, type ReactNode } from 'react';
import { correctRecord, takeBackRecord, type Correction } from '@/core/commands';
import { LEVEL_NAMES } from '@/core/mastery';
import { inBeats, inQuarters, type TempoUnit } from '@/core/score';
import { facets, type Facet, type Level, type LevelEvent, tempoUnitOf } from '@/core/studio';
import { useStudents } from '@/store';
import { BeatSign, Button, Choose } from '@/ui';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';
import type { LessonModel } from './use-lesson';

const LEVELS: readonly Level[] = [0, 1, 2, 3, 4, 5];
export const LEVEL_CHOICES = LEVELS.map((l) => [String(l), `${l} ${LEVEL_NAMES[l]}`] as const);
export const levelOf = (text: string): Level | null => LEVELS.find((l) => String(l) === text) ?? null;

const FASTEST = 600;
type Said = 'there' | 'not yet' | '';
const SAID: readonly (readonly [Said, string])[] = [
  ['', 'not listened for'],
  ['there', 'heard'],
  ['not yet', 'not yet'],
];

interface Props {
  readonly record: LevelEvent;
  readonly model: LessonModel;
}

/** The beat of the piece that was heard; quarters where the piece is not in work any more. */
const unitOf = (model: LessonModel, pieceId: string): TempoUnit =>
  tempoUnitOf(model.pieces.find((p) => p.id === pieceId));

/** Puts a record right; `stored` is called when it is kept. */
function useCorrecting(record: LevelEvent): (correction: Correction, stored?: () => void) => void {
  const { run } = useActs();
  return (correction, stored) =>
    run(correctRecord, { recordId: record.id, correction }, stored === undefined ? {} : { stored });
}

/** Everything of a record that may have been wrong, and taking it back. */
function Corrections({ record, model }: Props): ReactNode {
  const { run } = useActs();
  const students = useStudents() ?? [];
  const correct = useCorrecting(record);
  const unit = unitOf(model, record.pieceId);
  const setFacet = (facet: Facet, said: string): void => {
    const others = Object.fromEntries(Object.entries(record.facets ?? {}).filter(([f]) => f !== facet));
    correct({ facets: said === '' ? others : { ...others, [facet]: said === 'there' } });
  };
  const saidOf = (facet: Facet): Said =>
    record.facets?.[facet] === undefined ? '' : record.facets[facet] ? 'there' : 'not yet';
  return (
    <div className="my-2 grid gap-2 rounded border border-rule p-3 sm:grid-cols-2">
      <Choose
        place="stacked"
        label="It was section"
        value={record.sectionId}
        choices={model.sections.map(
          (s) => [s.id, `${s.letter} ${s.name}, ${model.pieces.find((p) => p.id === s.pieceId)?.title ?? ''}`] as const,
        )}
        onPick={(sectionId) => sectionId !== record.sectionId && correct({ sectionId })}
      />
      <Choose
        place="stacked"
        label="It was"
        value={record.studentId}
        choices={students.map((s) => [s.id, s.name] as const)}
        onPick={(studentId) => studentId !== record.studentId && correct({ studentId })}
      />
      <label className="text-sm text-ink-2">
        Tempo <BeatSign unit={unit} />
        <KeptField
          draftKey={`tempo of ${record.id}`}
          className="field figure w-full text-base text-ink"
          inputMode="numeric"
          value={record.tempo === null ? '' : String(inBeats(record.tempo, unit))}
          accepts={(text) => text.trim() === '' || (Number(text) >= 1 && Number(text) <= FASTEST)}
          wants={`a number from 1 to ${FASTEST}`}
          onKeep={(text, settle) => correct({ tempo: text === '' ? null : inQuarters(Number(text), unit) }, settle)}
        />
      </label>
      <label className="text-sm text-ink-2">
        Note
        <KeptField
          draftKey={`note of ${record.id}`}
          className="field w-full text-base text-ink"
          maxLength={1000}
          value={record.note}
          onKeep={(note, settle) => correct({ note }, settle)}
        />
      </label>
      {facets.map((facet) => (
        <Choose
          key={facet}
          label={facet}
          value={saidOf(facet)}
          choices={SAID}
          onPick={(said) => setFacet(facet, said)}
        />
      ))}
      <Button look="quiet" className="justify-self-start" onClick={() => run(takeBackRecord, { recordId: record.id })}>
        This was not heard: take it back
      </Button>
    </div>
  );
}

/**
 * One record of a lesson, and everything of it that may have been wrong. A correction is a new record; the old one
 * stays underneath.
 */
export function HeardRecord({ record, model }: Props): ReactNode {
  const [open, setOpen] = useState(false);
  const section = model.sections.find((s) => s.id === record.sectionId);
  const title = model.pieces.find((p) => p.id === record.pieceId)?.title ?? 'another piece';
  const correct = useCorrecting(record);
  return (
    <li className="border-t border-rule py-1 first:border-0">
      <div className="flex flex-wrap items-center gap-2">
        <span className="min-w-48 flex-1">
          <span className="font-semibold">{section ? `${section.letter} ${section.name}`.trim() : 'a section'}</span>{' '}
          <span className="text-ink-2" translate="no">
            {title}
          </span>
        </span>
        {record.tempo === null ? null : (
          <span className="figure text-ink-2">{inBeats(record.tempo, unitOf(model, record.pieceId))}</span>
        )}
        <Choose
          label={record.corrects === undefined ? 'level' : 'level, corrected'}
          value={String(record.level)}
          choices={LEVEL_CHOICES}
          onPick={(v) => {
            const level = levelOf(v);
            if (level !== null && level !== record.level) correct({ level });
          }}
        />
        <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Fold' : 'Correct'}
        </Button>
        {record.note === '' ? null : (
          <span className="basis-full text-ink-2" translate="no">
            {record.note}
          </span>
        )}
      </div>
      {open ? <Corrections record={record} model={model} /> : null}
    </li>
  );
}
