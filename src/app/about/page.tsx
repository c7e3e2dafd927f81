import type { ReactNode } from 'react';
import { AboutScreen } from '@/features/about';

export default function Page(): ReactNode {
  return <AboutScreen />;
}
