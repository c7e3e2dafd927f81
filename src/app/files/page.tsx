import type { ReactNode } from 'react';
import { FilesScreen } from '@/features/files';

export default function Page(): ReactNode {
  return <FilesScreen />;
}
