import type { ReactNode } from 'react';
import { bringInPiece, changePiece, setPlayer } from '@/core/commands';
import { instrumentFromWords, instrumentName } from '@/core/instruments';
import { playerChoices, playerKey, whoByName, type Player, type PlayerChoice } from '@/core/players';
import type { Result } from '@/core/result';
import type { Score } from '@/core/score';
import { titleOf, type Piece, type Student } from '@/core/studio';
import { useStudio } from '@/store';
import { Button, Choose, Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';
import { loadedPiece } from '@/features/score';
import { useWhere } from '@/features/where';
import { askReading } from '@/workers';

const WHO = [
  ['', 'not said'],
  ['student', 'a student'],
  ['teacher', 'the teacher'],
  ['others', 'others'],
] as const;
/** What a part is: its instrument, its range, where it rests. */
const partFacts = (choice: PlayerChoice): string =>
  [
    choice.told.instrument === null ? '' : instrumentName({ instrument: choice.told.instrument }),
    choice.notes === 0 ? 'no notes' : choice.rangeText,
    choice.restBars > 0 ? `rests in ${choice.restBars} ${choice.restBars === 1 ? 'bar' : 'bars'}` : '',
  ]
    .filter((t) => t !== '')
    .join(', ');

interface InHand {
  readonly piece: Piece;
  readonly score: Score;
  readonly player: Player;
}

/** One part: whether it is the one in hand, what it is, who plays it. */
function PartRow({
  piece,
  choice,
  chosen,
  onChoose,
  onTake,
}: {
  readonly piece: Piece;
  readonly choice: PlayerChoice;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly onTake: () => void;
}): ReactNode {
  const { run } = useActs();
  const known = piece.parts?.[choice.key];
  return (
    <li className={`border-l-4 pl-2 ${chosen ? 'border-acorn' : 'border-rule'}`}>
      <label className="flex min-h-8 items-baseline gap-2">
        <input type="radio" name="part-in-hand" className="accent-leaf" checked={chosen} onChange={onChoose} />
        <span className="font-semibold">{choice.name}</span>
      </label>
      <p className="text-sm text-ink-2">{partFacts(choice)}</p>
      {choice.player.line === undefined ? (
        <div className="flex flex-wrap items-center gap-2">
          <Choose
            label="played by"
            value={known?.who ?? whoByName(choice.name) ?? ''}
            choices={WHO}
            onPick={(picked) => {
              const who = WHO.find(([id]) => id === picked)?.[0] ?? '';
              run(changePiece, {
                pieceId: piece.id,
                change: { part: [choice.key, who === '' ? {} : { who }] },
                label: `who plays ${choice.name}`,
              });
            }}
          />
          <Button look="quiet" onClick={onTake}>
            As a piece of its own
          </Button>
        </div>
      ) : null}
    </li>
  );
}

/** A student who plays another part than the rest: on what, and how that is taken back. */
function OwnPart({ piece, score, player, student }: InHand & { readonly student: Student }): ReactNode {
  const { run } = useActs();
  const of = { pieceId: piece.id, studentId: student.id, score };
  return (
    <>
      <label className="mt-2 flex items-center gap-2">
        <span className="text-ink-2">{student.name} plays it on</span>
        <KeptField
          draftKey={`instrument of ${student.id} in ${piece.id}`}
          className="field min-w-0 flex-1"
          value={instrumentName({ instrument: player.instrument ?? piece.instrument })}
          maxLength={60}
          accepts={(text) => text.trim() !== ''}
          wants="an instrument"
          onKeep={(text, stored) => {
            const { instrument } = instrumentFromWords(text);
            run(setPlayer, { ...of, player: { ...player, instrument } }, { stored });
          }}
        />
      </label>
      <Button className="mt-2" onClick={() => run(setPlayer, { ...of, player: null })}>
        The usual part for {student.name}
      </Button>
    </>
  );
}

/** The parts of a piece: whose is in hand, who plays the others, and a part as a piece of its own. */
export function PartsPanel({
  piece,
  score,
  player,
  student,
}: InHand & { readonly student: Student | null }): ReactNode {
  const { run, act } = useActs();
  const studio = useStudio();
  const where = useWhere();
  const choices = playerChoices(score);
  if (choices.length < 2) return null;
  const current = playerKey(player);
  const own = student?.players?.[piece.id] !== undefined;
  const take = async (choice: PlayerChoice): Promise<Result<unknown>> => {
    const taken = await askReading((api) => api.takePart(loadedPiece(piece), choice.player.parts));
    if (!taken.ok) return taken;
    const [first] = taken.value.players;
    const alone = first && { ...first, player: choice.player, told: choice.told, name: choice.name };
    const done = await studio.run(bringInPiece, {
      read: taken.value,
      fileName: piece.fileName,
      title: `${piece.title || titleOf(score)}, ${choice.name}`,
      ...(alone ? { player: alone } : {}),
      verb: 'brought in',
    });
    if (done.ok) where.go('read', { pieceId: done.value.made ?? null, bars: null });
    return done;
  };
  return (
    <Panel title="Parts">
      <p className="mb-2 text-ink-2">
        {student ? `What ${student.name} plays` : 'Whose part it is'}; harmony, form and what comes again are of all
        parts.
      </p>
      <ul className="grid gap-2">
        {choices.map((choice) => (
          <PartRow
            key={choice.key}
            piece={piece}
            choice={choice}
            chosen={choice.key === current}
            onChoose={() =>
              run(setPlayer, { pieceId: piece.id, studentId: student?.id ?? null, player: choice.player, score })
            }
            onTake={() => act(() => take(choice))}
          />
        ))}
      </ul>
      {student && own ? <OwnPart piece={piece} score={score} player={player} student={student} /> : null}
    </Panel>
  );
}
