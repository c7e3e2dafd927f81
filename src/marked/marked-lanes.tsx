import type { ReactNode } from 'react';
import type { Score } from '@/core/score';
import { TextLane, type LaneText, type LineLayout } from '@/ui';
import { CountLane } from './count-lane';
import { fingersOfStaff, type SeenMarks } from './seen-marks';

interface Props {
  readonly seen: SeenMarks;
  /** The score of the player alone. */
  readonly played: Score;
  readonly layout: LineLayout;
  /** Close to the music and small, as on paper. */
  readonly dense?: boolean;
}

/** A lane of texts, where one of them stands in this line. */
function Texts({
  name,
  texts,
  layout,
  dense = false,
}: Pick<Props, 'layout' | 'dense'> & {
  readonly name: string;
  readonly texts: readonly LaneText[];
}): ReactNode {
  const here = texts.filter((t) => layout.notes.has(t.noteId));
  return here.length === 0 ? null : (
    <TextLane
      name={name}
      bare
      layout={layout}
      texts={here}
      rows={here.some((t) => t.row === 1) ? 2 : 1}
      ruled={false}
      dense={dense}
    />
  );
}

/** The fingers of one hand. */
function Hand({ seen, played, layout, staff, dense = false }: Props & { readonly staff: number }): ReactNode {
  const lane = fingersOfStaff(seen, played, staff, (id) => layout.notes.has(id));
  return lane.texts.length === 0 ? null : (
    <TextLane
      name={staff === 1 ? 'Fingers' : 'Left-hand fingers'}
      bare
      layout={layout}
      texts={lane.texts}
      rows={lane.rows}
      ruled={false}
      dense={dense}
    />
  );
}

/** What stands over a line: breaths and bows, the fingers of the upper staff. */
export function LanesAbove({ seen, played, layout, dense = false }: Props): ReactNode {
  return (
    <>
      <Texts name="Breaths and bows" texts={seen.breath} layout={layout} dense={dense} />
      <Hand seen={seen} played={played} layout={layout} staff={1} dense={dense} />
    </>
  );
}

/** What is said on the notes of a line; the room follows it while it sounds. */
function SaidLane({
  said,
  layout,
}: {
  readonly said: ReadonlyMap<string, string>;
  readonly layout: LineLayout;
}): ReactNode {
  const texts = [...said].flatMap(([noteId, text]): LaneText[] =>
    layout.notes.has(noteId) ? [{ noteId, text, source: 'editor' }] : [],
  );
  return texts.length === 0 ? null : (
    <TextLane name="To say" bare layout={layout} texts={texts} ruled={false} large followed />
  );
}

const ownWords = ({ words }: SeenMarks): readonly LaneText[] =>
  [...words].map(([noteId, text]) => ({ noteId, text, source: 'teacher' }));

/** What stands under a line: fingers of the lower staff, levels, counts, what is said, cues. */
export function LanesBelow({
  seen,
  played,
  layout,
  said = null,
  cues = true,
  dense = false,
}: Props & { readonly said?: ReadonlyMap<string, string> | null; readonly cues?: boolean }): ReactNode {
  return (
    <>
      {(played.parts[0]?.staves ?? 1) > 1 ? (
        <Hand seen={seen} played={played} layout={layout} staff={2} dense={dense} />
      ) : null}
      <Texts name="Dynamics" texts={seen.level} layout={layout} dense={dense} />
      {seen.counts.length > 0 ? (
        <CountLane
          bare
          score={played}
          counts={seen.counts}
          onsets={seen.onsets}
          layout={layout}
          words={seen.words}
          silent="brackets"
          dense={dense}
        />
      ) : (
        // Who does not count has the words alone.
        <Texts name="Own words" texts={ownWords(seen)} layout={layout} dense={dense} />
      )}
      {said === null ? null : <SaidLane said={said} layout={layout} />}
      {cues ? <Texts name="Cues" texts={seen.cue} layout={layout} dense={dense} /> : null}
    </>
  );
}
