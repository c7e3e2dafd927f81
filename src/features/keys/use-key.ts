'use client';

import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { keyOf, type KeyId, type KeyUse } from './keys-table';

interface KeyOptions {
  /** Also while one types in a field of these. */
  readonly inFields?: readonly 'input'[];
  /** Left to what has the focus. */
  readonly unless?: (event: KeyboardEvent) => boolean;
}

type Act = (event: KeyboardEvent) => void;

/** What answers Enter and Space by itself. */
const CONTROLS = 'button, a[href], input, select, textarea, summary, [role="button"], [role="tab"], [role="menuitem"]';

/** Whether a key belongs to the control that has the focus: Enter and Space press it; a tick box leaves Enter alone. */
function isTheControls({ target, key }: KeyboardEvent): boolean {
  if (!(target instanceof Element) || (key !== 'Enter' && key !== ' ')) return false;
  const control = target.closest(CONTROLS);
  return control !== null && !(key === 'Enter' && control instanceof HTMLInputElement && control.type === 'checkbox');
}

/** While a dialog is open the keys are its own. */
const isBehindDialog = (): boolean => document.querySelector('[role="dialog"][aria-modal="true"]') !== null;

/** What is listened for at the moment, by its line in the table. */
const live = new Map<KeyId, Act>();

/** Listens for a key of the table. What the browser would do with it does not happen. */
export function useKey(id: KeyId, act: Act, options: KeyOptions = {}): void {
  const { keys, byCharacter = false } = keyOf(id);
  useHotkeys(keys ?? '', act, {
    enabled: keys !== null,
    useKey: byCharacter,
    preventDefault: true,
    ignoreEventWhen: (event) => isBehindDialog() || isTheControls(event) || (options.unless?.(event) ?? false),
    ...(options.inFields ? { enableOnFormTags: options.inFields } : {}),
  });
  useEffect(() => {
    live.set(id, act);
    return () => {
      if (live.get(id) === act) live.delete(id);
    };
  }, [id, act]);
}

/** Lines of the table that stand for several keys ask for one of them: they are no single action. */
const isSingle = ({ keys }: KeyUse): boolean => keys !== null && !keys.includes(',');

/** What can be done at the moment by one key, to be done without it. */
export const actionsNow = (): readonly (KeyUse & { readonly id: KeyId; readonly run: () => void })[] =>
  [...live].flatMap(([id, act]) => {
    const use = keyOf(id);
    return isSingle(use) || id === 'everywhere.redo'
      ? [{ ...use, id, run: () => act(new KeyboardEvent('keydown', { key: use.keys ?? '' })) }]
      : [];
  });
