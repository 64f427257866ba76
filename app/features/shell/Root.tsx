import { QueryClientProvider, useQuery } from '@tanstack/react-query';
import { usePathname, useRouter } from 'expo-router';
import { type ReactNode, Suspense, useEffect } from 'react';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { queryClient } from '../../lib/api';
import { keepForOffline } from '../../lib/offline';
import { startAppearance } from '../../theme/appearance';
import { Box } from '../../ui/Box';
import { lazyPart } from '../../ui/lazyPart';
import { Failed, Loading } from '../../ui/states';
import { keepSending, openRecords } from '../records/sending';
import { takeReturn } from '../session/lapsed';
import { SessionContext, useSessionQuery } from '../session/useSession';
import { Shell } from './Shell';
import { useFocusKept } from './useFocusKept';

startAppearance();

/** Who is signed in does not load the door's forms. */
const SignIn = lazyPart(
  () => import('../door/SignIn'),
  (door) => door.SignIn,
);

/** Everything round the screens: the server's cache, the door and the places. */
export function Root({ children }: { children: ReactNode }) {
  useEffect(keepForOffline, []);
  useFocusKept();
  return (
    <SafeAreaProvider>
      <QueryClientProvider client={queryClient}>
        <Box fill tone="mist">
          <Gate>{children}</Gate>
        </Box>
      </QueryClientProvider>
    </SafeAreaProvider>
  );
}

function Gate({ children }: { children: ReactNode }) {
  const isOpen = useIsOpen();
  const session = useSessionQuery();
  const records = useQuery({
    queryKey: ['session', 'records'],
    queryFn: async () => openRecords().then(() => true),
    staleTime: Number.POSITIVE_INFINITY,
    networkMode: 'always',
  });
  // Who was sent a link comes in by it, whoever is signed in.
  if (isOpen) return <Door>{children}</Door>;
  if (session.isPending || records.isPending) return <Loading what="Your station" />;
  if (session.error) return <Failed error={session.error} retry={() => void session.refetch()} />;
  if (records.error) return <Failed error={records.error} retry={() => void records.refetch()} />;
  if (!session.data)
    return (
      <Door>
        <SignIn />
      </Door>
    );
  return (
    <SessionContext.Provider value={session.data}>
      <Sending station={session.data.station.id} />
      <Shell>{children}</Shell>
      <Returning />
    </SessionContext.Provider>
  );
}

/** Addresses that are open to who is not signed in. */
const useIsOpen = (): boolean => /^\/(join|opinion)\//.test(usePathname());

/** Outside of a station there are no places. */
const Door = ({ children }: { children: ReactNode }) => (
  <Box role="main" fill tone="mist">
    <Suspense fallback={<Loading what="The door" />}>{children}</Suspense>
  </Box>
);

/** Whose session had ended goes on where they were; the way there is known once the screens are. */
function Returning() {
  const router = useRouter();
  useEffect(() => {
    const at = takeReturn();
    if (at) router.replace(at);
  }, [router]);
  return null;
}

/** What waits is sent for as long as a station is open, whatever screen is shown. */
function Sending({ station }: { station: string }) {
  useEffect(() => keepSending(station), [station]);
  return null;
}
