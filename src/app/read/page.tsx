import type { ReactNode } from 'react';
import { ReadScreen } from '@/features/read';

export default function Page(): ReactNode {
  return <ReadScreen />;
}
