import { Printer } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '@/ui';
import { PaperPreview } from './paper-preview';

/** The button that prints, with what is said of it. */
export function PrintButton({
  onPrint,
  children,
}: {
  readonly onPrint: () => void;
  readonly children: ReactNode;
}): ReactNode {
  return (
    <Button look="primary" big shortcut="p" onClick={onPrint}>
      <Printer size={20} aria-hidden="true" /> {children}
    </Button>
  );
}

interface Props {
  /** What the screen is, for those who hear it. */
  readonly title: string;
  /** What is chosen about the print, on the left. */
  readonly choices: ReactNode;
  /** What stands above the pages and is not printed. */
  readonly above?: ReactNode;
  /** The pages; null while there are none. */
  readonly children: ReactNode;
}

/** What is printed as it is printed, and beside it how. */
export function PrintDesk({ title, choices, above = null, children }: Props): ReactNode {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[16rem_minmax(0,1fr)] print:block">
      <h1 className="sr-only">{title}</h1>
      <div
        className="no-print panel grid content-start items-end gap-4 p-4 sm:grid-cols-3 lg:grid-cols-1"
        role="group"
        aria-label="How it is printed"
      >
        {choices}
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 print:block">
        {above}
        {children === null ? null : <PaperPreview>{children}</PaperPreview>}
      </div>
    </div>
  );
}
