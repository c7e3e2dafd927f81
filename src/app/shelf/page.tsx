import type { ReactNode } from 'react';
import { ShelfScreen } from '@/features/shelf';

export default function Page(): ReactNode {
  return <ShelfScreen />;
}
