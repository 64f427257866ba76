/** What the screens use of the router. */
import 'expo-router/build/global';

export { Link } from 'expo-router/build/link/Link';
export { Redirect } from 'expo-router/build/link/Redirect';
export { useLocalSearchParams, usePathname, useRouter } from 'expo-router/build/hooks';
export { Slot } from 'expo-router/build/views/Navigator';
