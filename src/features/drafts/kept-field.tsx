'use client';

import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode, type RefObject } from 'react';
import { useDraftText } from './use-draft';

interface Props {
  /** What the draft is of, the same after a reload: `cue p1-b3-n2`. */
  readonly draftKey: string;
  readonly value: string;
  /** Stores what was typed; `settle` is called when it is stored. What is refused stays in the field. */
  readonly onKeep: (text: string, settle: () => void) => void;
  /** A text that is not to be stored as it stands (an empty name): it goes back to what it was. */
  readonly accepts?: (text: string) => boolean;
  /** What it takes, said where something else was typed: `a number from 3 to 24`. */
  readonly wants?: string;
  readonly label?: string;
  readonly className?: string;
  readonly placeholder?: string;
  readonly maxLength?: number;
  readonly rows?: number;
  readonly list?: string;
  readonly inputMode?: 'text' | 'numeric' | 'decimal';
  readonly inputRef?: RefObject<HTMLInputElement | null>;
  /** Stored, too, when typing pauses for so long. */
  readonly pauseMs?: number;
}

const always = (): boolean => true;

/** A field whose text is stored when it is left or Enter is pressed, given up by Escape, and never lost before that. */
export function KeptField({
  draftKey,
  value,
  onKeep,
  accepts = always,
  wants = 'something else',
  label,
  rows,
  inputRef,
  pauseMs,
  ...rest
}: Props): ReactNode {
  const { text, open, type, settle } = useDraftText(draftKey, value);
  const [refused, setRefused] = useState<string | null>(null);
  const keep = (): void => {
    if (!open) return;
    const isWrong = text.trim() !== value && !accepts(text);
    setRefused(isWrong ? text.trim() : null);
    if (text.trim() === value || isWrong) settle();
    else onKeep(text.trim(), settle);
  };
  const latest = useRef(keep);
  useEffect(() => {
    latest.current = keep;
  });
  useEffect(() => {
    if (pauseMs === undefined || !open) return undefined;
    const timer = setTimeout(() => latest.current(), pauseMs);
    return () => clearTimeout(timer);
  }, [pauseMs, open, text]);
  const change = (typed: string): void => {
    setRefused(null);
    type(typed);
  };
  const onKeyDown = (e: KeyboardEvent<HTMLElement>): void => {
    if (e.key === 'Escape' && open) {
      settle();
      return;
    }
    if (e.key !== 'Enter' || (rows !== undefined && !e.ctrlKey && !e.metaKey)) return;
    e.preventDefault();
    e.currentTarget.blur();
  };
  const shared = {
    ...rest,
    value: text,
    onBlur: keep,
    onKeyDown,
    'aria-label': label,
    'aria-description': open ? 'typed, not kept yet: Enter keeps it' : undefined,
  };
  return (
    <>
      {rows === undefined ? (
        <input ref={inputRef} {...shared} onChange={(e) => change(e.target.value)} />
      ) : (
        <textarea {...shared} rows={rows} onChange={(e) => change(e.target.value)} />
      )}
      {refused === null ? null : (
        <span role="alert" className="block text-sm text-warn">
          {refused === '' ? 'Empty' : `“${refused}”`} is not kept: it takes {wants}.
        </span>
      )}
    </>
  );
}
