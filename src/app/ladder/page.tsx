import type { ReactNode } from 'react';
import { LadderScreen } from '@/features/ladder';

export default function Page(): ReactNode {
  return <LadderScreen />;
}
