import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import './globals.css';

import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { StudioShell } from '@/features/frame';

export const metadata: Metadata = {
  title: 'Oak Rungs',
  description: 'From a piece to its sections, marks, practice ladder and mastery.',
};

/** Rendered for each request, so that the scripts carry the nonce of its Content-Security-Policy. */
export default async function RootLayout({ children }: { readonly children: ReactNode }): Promise<ReactNode> {
  await headers();
  return (
    <html lang="en">
      <body>
        <StudioShell startWithDemo={process.env['OAK_EMPTY'] !== '1'} fixedNow={process.env['OAK_NOW'] || null}>
          {children}
        </StudioShell>
      </body>
    </html>
  );
}
