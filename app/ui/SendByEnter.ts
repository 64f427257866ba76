import { createContext } from 'react';

/** What Enter does in a field of one line: it sends the form that the field is in. */
export const SendByEnter = createContext<(() => void) | undefined>(undefined);
