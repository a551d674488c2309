// Stands where the router brings stacks and tabs of its own: our pages have none, and do not load them.
import { createContext } from 'react';

/** The height of tabs of the router: there are none. */
export const BottomTabBarHeightContext = createContext<number | undefined>(undefined);

/** A stack of the router: it is made when the router is read, and never shown. */
export const createNativeStackNavigator = () => ({ Navigator: () => null });
