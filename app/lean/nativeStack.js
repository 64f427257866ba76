/** No stack of native screens is laid out; only the router's rules for one are used. */
export const createNativeStackNavigator = () => ({ Navigator: () => null });
