import type { ReactNode, RefObject } from 'react';
import { KeptField } from '@/features/drafts';
import type { OfNote } from './of-note';

/** The cue at the note in hand, for everyone or for one student, and the word it is sung or counted with. */
export function WordsOfNote({
  model,
  actions,
  note,
  cueInput,
}: OfNote & { readonly cueInput: RefObject<HTMLInputElement | null> }): ReactNode {
  const { piece, student, forStudent, setForStudent, cues, words, settings } = model;
  const about = forStudent && student ? student.id : null;
  const cueKey = `cue ${piece.id} ${note.id} ${about ?? ''}`;
  const wordKey = `word ${piece.id} ${note.id}`;
  return (
    <>
      <label>
        <h3>Cue</h3>
        <KeptField
          key={cueKey}
          draftKey={cueKey}
          inputRef={cueInput}
          className="field mt-1 w-full bg-plum-wash font-semibold text-plum"
          value={cues.find((c) => c.noteId === note.id && c.studentId === about)?.text ?? ''}
          maxLength={500}
          placeholder="say it again next week"
          list="own-cues"
          onKeep={(text, stored) => actions.setCue(note.id, text, stored)}
        />
      </label>
      <datalist id="own-cues">
        {(settings?.ownCues ?? []).map((c) => (
          <option key={c} value={c} />
        ))}
      </datalist>
      {student ? (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-leaf"
            checked={forStudent}
            onChange={(e) => setForStudent(e.target.checked)}
          />
          cue only for {student.name}
        </label>
      ) : null}
      <label>
        <h3>Own word here</h3>
        <KeptField
          key={wordKey}
          draftKey={wordKey}
          className="field mt-1 w-full"
          value={words.get(note.id) ?? ''}
          maxLength={200}
          placeholder="one syllable a note, split by hyphens"
          onKeep={(text, stored) => actions.setWord(note, text, stored)}
        />
      </label>
    </>
  );
}
