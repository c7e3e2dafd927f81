import type { ReactNode } from 'react';
import { SheetScreen } from '@/features/sheet';

export default function Page(): ReactNode {
  return <SheetScreen />;
}
