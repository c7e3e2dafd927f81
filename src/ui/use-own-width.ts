import { useEffect, useRef, useState, type RefObject } from 'react';

/** Widths as they were last, by place. */
const widths = new Map<string, number>();

/**
 * An element and how wide it is inside, in CSS pixels; 0 before it is known. In a place that was there before it is
 * most likely as wide again: what it was last is taken until the browser has laid the page out.
 */
export function useOwnWidth(place: string): readonly [RefObject<HTMLDivElement | null>, number] {
  const host = useRef<HTMLDivElement | null>(null);
  const [width, setWidth] = useState(() => widths.get(place) ?? 0);
  useEffect(() => {
    const element = host.current;
    if (!element) return undefined;
    // It tells the first size, too, and asking then makes nothing be laid out twice.
    const observer = new ResizeObserver(() => {
      widths.set(place, element.clientWidth);
      setWidth(element.clientWidth);
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [place]);
  return [host, width];
}
