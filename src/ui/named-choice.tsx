import type { ReactNode } from 'react';
import { Choose, type ChooseProps } from './choose';

interface Props<V extends string> extends Pick<ChooseProps<V>, 'label' | 'value' | 'onPick' | 'place'> {
  readonly of: readonly V[];
  readonly names: Readonly<Record<V, string>>;
}

/** One of a few things that have names; the label is only spoken where no place is given for it. */
export function NamedChoice<V extends string>({ of, names, place = 'alone', ...rest }: Props<V>): ReactNode {
  return <Choose place={place} {...rest} choices={of.map((v) => [v, names[v]] as const)} />;
}
