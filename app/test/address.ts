import { useState } from 'react';

type Values = Record<string, string | undefined>;

let first: Values = {};

/** What the address says when the next screens are shown. */
export const startAt = (values: Values): void => {
  first = values;
};

/** Stands in for the address of a page in tests of screens: what is set is there at once. */
export function useAddress(): [Values, (change: Values) => void] {
  const [values, setValues] = useState(first);
  return [values, (change) => setValues((before) => ({ ...before, ...change }))];
}
