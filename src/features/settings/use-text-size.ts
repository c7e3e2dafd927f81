'use client';

import { useEffect } from 'react';
import { useSettings } from '@/store';

/** Makes the text as large as the studio has it, over what the browser says. */
export function useTextSize(): void {
  const size = useSettings()?.textSize ?? 'usual';
  useEffect(() => {
    document.documentElement.dataset['text'] = size;
  }, [size]);
}
