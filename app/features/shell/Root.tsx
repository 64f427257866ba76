import { SchibstedGrotesk_400Regular } from '@expo-google-fonts/schibsted-grotesk/400Regular';
import { SchibstedGrotesk_500Medium } from '@expo-google-fonts/schibsted-grotesk/500Medium';
import { SchibstedGrotesk_600SemiBold } from '@expo-google-fonts/schibsted-grotesk/600SemiBold';
import { SchibstedGrotesk_700Bold } from '@expo-google-fonts/schibsted-grotesk/700Bold';
import { Spectral_500Medium } from '@expo-google-fonts/spectral/500Medium';
import { Spectral_500Medium_Italic } from '@expo-google-fonts/spectral/500Medium_Italic';
import { QueryClientProvider, useQuery } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { type ReactNode, useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { queryClient } from '../../lib/api';
import { keepForOffline } from '../../lib/offline';
import { colour, font } from '../../theme';
import { startAppearance } from '../../theme/appearance';
import { Failed, Loading } from '../../ui/states';
import { SignIn } from '../door/SignIn';
import { keepSending, openRecords } from '../records/sending';
import { SessionContext, useSessionQuery } from '../session/useSession';
import { Shell } from './Shell';

startAppearance();

/** Everything round the screens: fonts, the server's cache, the door and the places. */
export function Root({ children }: { children: ReactNode }) {
  const [ready, fontError] = useFonts({
    [font.text]: SchibstedGrotesk_400Regular,
    [font.medium]: SchibstedGrotesk_500Medium,
    [font.strong]: SchibstedGrotesk_600SemiBold,
    [font.bold]: SchibstedGrotesk_700Bold,
    [font.name]: Spectral_500Medium_Italic,
    [font.nameUpright]: Spectral_500Medium,
  });
  useEffect(keepForOffline, []);
  if (!ready && !fontError) return <View style={styles.page} />;
  return (
    <SafeAreaProvider>
      <QueryClientProvider client={queryClient}>
        <View style={styles.page}>
          <Gate>{children}</Gate>
        </View>
      </QueryClientProvider>
    </SafeAreaProvider>
  );
}

function Gate({ children }: { children: ReactNode }) {
  const session = useSessionQuery();
  const records = useQuery({
    queryKey: ['session', 'records'],
    queryFn: async () => openRecords().then(() => true),
    staleTime: Number.POSITIVE_INFINITY,
    networkMode: 'always',
  });
  if (session.isPending || records.isPending) return <Loading what="Your station" />;
  if (session.error) return <Failed error={session.error} retry={() => void session.refetch()} />;
  if (records.error) return <Failed error={records.error} retry={() => void records.refetch()} />;
  if (!session.data)
    return (
      <View role="main" style={styles.page}>
        <SignIn />
      </View>
    );
  return (
    <SessionContext.Provider value={session.data}>
      <Sending station={session.data.station.id} />
      <Shell>{children}</Shell>
    </SessionContext.Provider>
  );
}

/** What waits is sent for as long as a station is open, whatever screen is shown. */
function Sending({ station }: { station: string }) {
  useEffect(() => keepSending(station), [station]);
  return null;
}

const styles = StyleSheet.create({ page: { flex: 1, backgroundColor: colour.mist } });
