import { useEffect, useState, type RefObject } from 'react';

/** The inner width of an element, and what one rem is, in pixels; followed as they change. */
export function useWidth(element: RefObject<HTMLElement | null>): { readonly width: number; readonly rem: number } {
  const [measured, setMeasured] = useState({ width: 0, rem: 16 });
  useEffect(() => {
    const at = element.current;
    if (!at) return;
    const measure = (): void => {
      const rem = Number.parseFloat(getComputedStyle(document.documentElement).fontSize) || 16;
      setMeasured((before) =>
        before.width === at.clientWidth && before.rem === rem ? before : { width: at.clientWidth, rem },
      );
    };
    const observer = new ResizeObserver(measure);
    observer.observe(at);
    measure();
    return () => observer.disconnect();
  }, [element]);
  return measured;
}
