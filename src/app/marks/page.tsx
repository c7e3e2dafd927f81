import type { ReactNode } from 'react';
import { MarksScreen } from '@/features/marks';

export default function Page(): ReactNode {
  return <MarksScreen />;
}
