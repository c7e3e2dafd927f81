'use client';

import { useEffect, useState, type ReactNode } from 'react';

const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** How long the lesson has gone on, of how many minutes. */
export function LessonTimer({
  begunAt,
  minutes,
  now,
}: {
  readonly begunAt: string;
  readonly minutes: number;
  readonly now: () => string;
}): ReactNode {
  const [, setTick] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setTick((n) => n + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  const seconds = Math.max(0, (Date.parse(now()) - Date.parse(begunAt)) / 1000);
  const over = seconds > minutes * 60;
  return (
    <span className={over ? 'font-semibold text-warn' : 'text-ink-2'} role="timer" aria-label="Time of the lesson">
      Lesson <span className="figure font-semibold text-ink">{clock(seconds)}</span> of {minutes}
    </span>
  );
}
