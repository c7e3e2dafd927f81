'use client';

import type { ReactNode } from 'react';

/** The last net: when even the frame cannot be drawn. Everything that was stored is in the browser's database. */
export default function GlobalError({ reset }: { readonly error: Error; readonly reset: () => void }): ReactNode {
  return (
    <html lang="en">
      <body style={{ fontFamily: 'sans-serif', margin: '3rem', fontSize: '1.2rem' }}>
        <h1>Oak Rungs cannot be shown</h1>
        <p>Something went wrong. What you recorded is stored in this browser; nothing of it is lost.</p>
        <button type="button" onClick={reset}>
          Try again
        </button>
      </body>
    </html>
  );
}
