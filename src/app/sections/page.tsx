import type { ReactNode } from 'react';
import { SectionsScreen } from '@/features/sections';

export default function Page(): ReactNode {
  return <SectionsScreen />;
}
