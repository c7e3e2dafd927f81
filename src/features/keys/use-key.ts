'use client';

import { useHotkeys } from 'react-hotkeys-hook';
import { keyOf, type KeyId } from './keys-table';

interface KeyOptions {
  /** Also while one types in a field of these. */
  readonly inFields?: readonly 'input'[];
  /** Left to what has the focus. */
  readonly unless?: (event: KeyboardEvent) => boolean;
}

/** What answers Enter and Space by itself. */
const CONTROLS = 'button, a[href], input, select, textarea, summary, [role="button"], [role="tab"], [role="menuitem"]';
const ACTIVATES = /\b(enter|space)\b/;

/** Whether a key belongs to the control that has the focus: Enter and Space press it; a tick box leaves Enter alone. */
function isTheControls({ target, key }: KeyboardEvent): boolean {
  if (!(target instanceof Element)) return false;
  const control = target.closest(CONTROLS);
  return control !== null && !(key === 'Enter' && control instanceof HTMLInputElement && control.type === 'checkbox');
}

/** Listens for a key of the table. What the browser would do with it does not happen. */
export function useKey(id: KeyId, act: (event: KeyboardEvent) => void, options: KeyOptions = {}): void {
  const { keys, byCharacter = false } = keyOf(id);
  const activates = ACTIVATES.test(keys ?? '');
  useHotkeys(keys ?? '', act, {
    enabled: keys !== null,
    useKey: byCharacter,
    preventDefault: true,
    ignoreEventWhen: (event) => (activates && isTheControls(event)) || (options.unless?.(event) ?? false),
    ...(options.inFields ? { enableOnFormTags: options.inFields } : {}),
  });
}
