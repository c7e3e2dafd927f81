import type { ReactNode } from 'react';
import { HomeScreen } from '@/features/home';

export default function Page(): ReactNode {
  return <HomeScreen />;
}
