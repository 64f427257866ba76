import { Fragment, type ReactNode, useState } from 'react';
import { Button } from './Button';

interface Props<T> {
  of: readonly T[];
  keyOf: (one: T) => string;
  children: (one: T) => ReactNode;
  /** Put up at once; as many again when asked. */
  first?: number;
  /** What there is more of: `lines`. */
  what?: string;
}

/** The first of a list, and the rest when it is asked for. */
export function FirstOf<T>({ of, keyOf, children, first = 12, what = 'lines' }: Props<T>) {
  const [shown, setShown] = useState(first);
  const left = of.length - shown;
  return (
    <>
      {of.slice(0, shown).map((one) => (
        <Fragment key={keyOf(one)}>{children(one)}</Fragment>
      ))}
      {left > 0 && (
        <Button
          small
          kind="quiet"
          label={`${Math.min(left, 10 * first)} more`}
          hint={`${Math.min(left, 10 * first)} more ${what}`}
          onPress={() => setShown(shown + 10 * first)}
        />
      )}
    </>
  );
}
