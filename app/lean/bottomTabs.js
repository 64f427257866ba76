import { createContext } from 'react';

/** The height of a bar of tabs that is never there. */
export const BottomTabBarHeightContext = createContext(undefined);
