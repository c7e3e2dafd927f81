import type { ReactNode } from 'react';
import { PrepareScreen } from '@/features/prepare';

export default function Page(): ReactNode {
  return <PrepareScreen />;
}
