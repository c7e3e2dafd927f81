import type { ReactNode } from 'react';
import { COUNT_SYSTEMS } from '@/core/rhythm';
import { Button, PickOne } from '@/ui';
import { FINGER_VIEWS, fingerAt } from './finger-view';
import { stringNames } from './instrument';
import type { MarkActions } from './mark-actions';
import type { MarksModel } from './use-marks-model';

/** How the marks are seen and counted, and what can be accepted at once. */
export function MarksToolbar({
  model,
  actions,
}: {
  readonly model: MarksModel;
  readonly actions: MarkActions;
}): ReactNode {
  const {
    student,
    view,
    variant,
    variants,
    system,
    setSystem,
    shownSource,
    setShownSource,
    silent,
    setSilent,
    tempo,
    tempoText,
    setTempoText,
  } = model;
  const {
    solver,
    instrument,
    openOrFourth,
    setOpenOrFourth,
    onString,
    setOnString,
    capo,
    setCapo,
    lanes,
    setLanes,
    folded,
    setFolded,
  } = model;
  const { notes, note, stretch, fingers, proposed, refused, suggestions } = model;
  const open = (stretch.length > 1 ? stretch : notes).filter(
    (n) => fingerAt(n, fingers, proposed, refused)?.source === 'suggested',
  ).length;
  const select = (
    label: string,
    value: string,
    choices: readonly (readonly [string, string])[],
    onPick: (v: string) => void,
  ): ReactNode => <PickOne label={label} value={value} choices={choices} onPick={onPick} />;
  return (
    <div className="no-print mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      {select(student ? `${student.name} sees` : 'Fingers', view, FINGER_VIEWS, actions.setView)}
      {select(
        'Variant',
        variant,
        variants.map((v) => [v, v] as const),
        actions.setVariant,
      )}
      {select(
        'Count',
        system,
        COUNT_SYSTEMS.map((s) => [s, s] as const),
        (v) => setSystem(COUNT_SYSTEMS.find((s) => s === v) ?? 'meter'),
      )}
      {select(
        'Show',
        shownSource,
        [
          ['all', 'all marks'],
          ['printed', 'printed'],
          ['editor', 'editor’s'],
          ['teacher', 'mine'],
          ['suggested', 'suggested'],
        ],
        (v) => setShownSource(v === 'printed' || v === 'editor' || v === 'teacher' || v === 'suggested' ? v : 'all'),
      )}
      {select(
        'held',
        silent,
        [
          ['brackets', 'in brackets'],
          ['hidden', 'left out'],
        ],
        (v) => setSilent(v === 'hidden' ? 'hidden' : 'brackets'),
      )}
      <label className="flex items-center gap-1.5 text-ink-2">
        Tempo
        <input
          className="field figure w-20 text-ink"
          inputMode="numeric"
          value={tempoText}
          placeholder={String(tempo)}
          onChange={(e) => setTempoText(e.target.value)}
        />
      </label>
      {solver === 'bowed'
        ? select(
            'Where both serve',
            openOrFourth,
            [
              ['open', 'open string'],
              ['fourth', 'fourth finger'],
            ],
            (v) => setOpenOrFourth(v === 'fourth' ? 'fourth' : 'open'),
          )
        : null}
      {solver === 'bowed'
        ? select(
            'String',
            onString,
            [['', 'best'], ...stringNames(instrument).map((name, i) => [String(i + 1), `all on ${name}`] as const)],
            setOnString,
          )
        : null}
      {solver === 'fretted'
        ? select(
            'Capo',
            capo,
            [['', 'none'], ...[1, 2, 3, 4, 5, 6, 7].map((f) => [String(f), `fret ${f}`] as const)],
            setCapo,
          )
        : null}
      <details className="relative">
        <summary className="cursor-pointer py-2 font-semibold text-ink-2">Lanes</summary>
        <div className="absolute z-20 grid w-64 gap-1 rounded border border-rule-strong bg-sheet p-3">
          {lanes.map((name, i) => (
            <span key={name} className="flex min-h-9 items-center gap-2">
              <label className="flex flex-1 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5 accent-leaf"
                  checked={!folded.has(name)}
                  onChange={(e) =>
                    setFolded((before) => {
                      const next = new Set(before);
                      if (e.target.checked) next.delete(name);
                      else next.add(name);
                      return next;
                    })
                  }
                />
                {name}
              </label>
              <Button
                look="quiet"
                disabled={i === 0}
                aria-label={`${name} higher`}
                onClick={() =>
                  setLanes((before) => before.flatMap((l, k) => (k === i - 1 ? [name, l] : k === i ? [] : [l])))
                }
              >
                ▴
              </Button>
            </span>
          ))}
        </div>
      </details>
      <span className="ml-auto flex flex-wrap gap-2">
        {notes.some((n) => n.marks.fingers[0] && !fingers.has(n.id)) ? (
          <Button onClick={() => actions.takePrinted()}>Take the printed fingers</Button>
        ) : null}
        {actions.copies.length > 0 ? (
          <Button shortcut="l" onClick={() => actions.markCopies()}>
            Also in the {actions.copies.length === 1 ? 'copy' : `${actions.copies.length} copies`}
          </Button>
        ) : null}
        <Button look="quiet" onClick={() => window.print()}>
          Print
        </Button>
        {suggestions.length > 0 ? (
          <Button onClick={() => actions.accept(suggestions)}>Accept {suggestions.length} other suggestions</Button>
        ) : null}
        <Button look="primary" shortcut="enter" disabled={open === 0} onClick={() => actions.acceptFingers()}>
          {stretch.length > 1
            ? `Accept fingers of ${stretch.length} notes`
            : note
              ? 'Accept fingers from here'
              : `Accept ${open} fingers`}
        </Button>
      </span>
    </div>
  );
}
