import type { ReactNode } from 'react';
import { INSTRUMENT_IDS, instrumentOf } from '@/core/instruments';

/** The instruments known by name, offered while a field that names this list is typed in. */
export const InstrumentOptions = ({ id }: { readonly id: string }): ReactNode => (
  <datalist id={id}>
    {INSTRUMENT_IDS.map((each) => (
      <option key={each} value={instrumentOf(each).name} />
    ))}
  </datalist>
);
