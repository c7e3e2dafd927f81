import type { ReactNode } from 'react';
import { LessonScreen } from '@/features/lesson';

export default function Page(): ReactNode {
  return <LessonScreen />;
}
