import { useMemo, useState, type ReactNode } from 'react';
import { answerFile, homeCode, MOST_AT_HOME } from '@/core/sheet';
import { dayInWords, type Day } from '@/core/studio';
import { Button } from '@/ui';
import { sentBack } from './home-progress';
import type { HomeWeek } from './home-week';
import type { ProgressAccess } from './kept-progress';

/** What the small file is called. */
const fileName = ({ student, week }: HomeWeek): string =>
  `${student}, ${week}, done.json`.replace(/[\\/:*?"<>|]/g, ' ');

function save(name: string, text: string): void {
  const address = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  document.body.append(link);
  link.click();
  link.remove();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

/** Whether this device can hand a file over to another program. */
function canShare(file: File): boolean {
  try {
    return typeof navigator.canShare === 'function' && navigator.canShare({ files: [file] });
  } catch {
    return false;
  }
}

const daysInWords = (days: readonly Day[]): string => days.map((d) => dayInWords(d)).join(', ');

/** What was done, to be sent to the teacher: a note, and three ways to send it. */
export function SendBack({ home, kept }: { readonly home: HomeWeek; readonly kept: ProgressAccess }): ReactNode {
  const { progress, change } = kept;
  const [said, setSaid] = useState('');
  const sent = useMemo(() => sentBack(progress, home), [progress, home]);
  const { code, leftOut } = useMemo(() => homeCode(sent), [sent]);
  const nothing = sent.done.length === 0 && sent.note === '';
  const file = (): File => new File([answerFile(sent)], fileName(home), { type: 'application/json' });
  const copy = (): void => {
    const ask: Promise<void> | undefined = navigator.clipboard?.writeText(code);
    if (ask === undefined) {
      setSaid('Copy the code by hand: it is below.');
      return;
    }
    ask.then(
      () => setSaid('The code is copied. Put it into a message to your teacher.'),
      () => setSaid('Copy the code by hand: it is below.'),
    );
  };
  const share = (): void => {
    navigator.share({ files: [file()], title: fileName(home) }).then(
      () => setSaid('It was handed over.'),
      () => setSaid('It was not sent. Try again, or copy the code.'),
    );
  };
  return (
    <section className="panel grid gap-3 p-4 text-lg" aria-label="Send back">
      <h2>Send back</h2>
      <label className="grid gap-1">
        <span>A word to your teacher: what went well, what did not</span>
        <textarea
          className="field min-h-24 p-2"
          maxLength={MOST_AT_HOME.note}
          value={progress.note}
          onChange={(e) => {
            const note = e.currentTarget.value;
            change((p) => ({ ...p, note }));
          }}
        />
      </label>
      {nothing ? (
        <p className="text-ink-2">Nothing was done yet. What you do and tick is sent from here.</p>
      ) : (
        <>
          <div className="flex flex-wrap gap-2">
            {canShare(file()) ? (
              <Button look="primary" big onClick={share}>
                Send
              </Button>
            ) : null}
            <Button
              big
              onClick={() => {
                save(fileName(home), answerFile(sent));
                setSaid('The file is in your downloads. Send it to your teacher.');
              }}
            >
              Save as a file
            </Button>
            <Button big onClick={copy}>
              Copy the code
            </Button>
          </div>
          <p role="status">{said}</p>
          <p>
            <span className="text-ink-2">The code, for a message:</span>{' '}
            <span className="figure block select-all text-base break-all" translate="no">
              {code}
            </span>
          </p>
          {sent.note === '' ? null : <p className="text-ink-2">Your words are only in the file, not in the code.</p>}
          {leftOut.length > 0 ? (
            <p className="text-warn">The code has no room for {daysInWords(leftOut)}. All of it is in the file.</p>
          ) : null}
        </>
      )}
    </section>
  );
}
