import type { ReactNode } from 'react';
import { BoardScreen } from '@/features/board';

export default function Page(): ReactNode {
  return <BoardScreen />;
}
