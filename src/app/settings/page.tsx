import type { ReactNode } from 'react';
import { SettingsScreen } from '@/features/settings';

export default function Page(): ReactNode {
  return <SettingsScreen />;
}
