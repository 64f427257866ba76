import { Link, usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, radius, space, TOUCH, useWide } from '../../theme';
import { Box } from '../../ui/Box';
import { Icon, type GlyphName } from '../../ui/Icon';
import { Logo } from '../../ui/Logo';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { ToastPlace } from '../../ui/Toast';
import { useSession, useSignOut } from '../session/useSession';
import { useLetterScale } from '../../theme/appearance';
import { AppearanceLink } from './AppearanceLink';
import { LearnerNote } from './LearnerNote';
import { UpLink } from './UpLink';

interface Place {
  href: string;
  label: string;
  glyph: GlyphName;
  holds: (path: string) => boolean;
}

const onBench = (path: string) => /^\/bench|^\/specimens\/[^/]+\/(bench|name)/.test(path);

const onPractice = (path: string) => /^\/practice|^\/guides\/[^/]+\/practice/.test(path);

/** The places of the application. */
const PLACES: Place[] = [
  {
    href: '/',
    label: 'Daybook',
    glyph: 'daybook',
    holds: (path) => path === '/' || (path.startsWith('/specimens') && !onBench(path)),
  },
  { href: '/bench', label: 'Bench', glyph: 'bench', holds: onBench },
  { href: '/guides', label: 'Guides', glyph: 'guides', holds: (path) => path.startsWith('/guides') && !onPractice(path) },
  { href: '/field', label: 'Field', glyph: 'field', holds: (path) => path.startsWith('/field') },
  { href: '/practice', label: 'Practice', glyph: 'practice', holds: onPractice },
];

/** Bottom bar on a phone, left rail on a wide screen. */
export function Shell({ children }: { children: ReactNode }) {
  const wide = useWide();
  const path = usePathname();
  return (
    <Box fill leastTall={0} style={wide && styles.beside}>
      {wide ? <Rail /> : <UpLink />}
      <Box role="main" fill leastTall={0}>
        <ToastPlace page={path}>
          <LearnerNote />
          {children}
        </ToastPlace>
      </Box>
      {!wide && (
        <Row role="navigation" aria-label="Places" padBottom="xs" ruled="above" ruledIn="hairline" tone="sheet" gap="none">
          {PLACES.map((place) => (
            <PlaceLink key={place.href} place={place} />
          ))}
        </Row>
      )}
    </Box>
  );
}

function Rail() {
  const session = useSession();
  const signOut = useSignOut();
  return (
    <View role="banner" style={styles.rail}>
      <Row align="center" oneLine>
        <Logo size={34} />
        <Text size="lead" strong>
          Plesion
        </Text>
      </Row>
      <Stack role="navigation" aria-label="Places" gap="xs" fill>
        {PLACES.map((place) => (
          <PlaceLink key={place.href} place={place} wide />
        ))}
      </Stack>
      <AppearanceLink />
      <Stack gap="hair">
        <Text size="small" strong>
          {session.station.name}
        </Text>
        <Link href="/account" asChild>
          <Pressable accessibilityLabel={`Account: ${session.account.name}`} style={styles.leave}>
            <Text size="small" color={colour.kelp}>
              {session.account.name}
            </Text>
          </Pressable>
        </Link>
        <Pressable role="button" onPress={() => signOut.mutate()} style={styles.leave}>
          <Text size="small" color={colour.kelp}>
            Sign out
          </Text>
        </Pressable>
      </Stack>
    </View>
  );
}

/** From this scale on five words do not stand side by side. */
const LARGE = 1.15;

function PlaceLink({ place, wide }: { place: Place; wide?: boolean }) {
  const here = place.holds(usePathname());
  const color = here ? colour.kelp : colour.quiet;
  // Large letters need the room: the words go on in a second row, without their signs.
  const large = useLetterScale() > LARGE && !wide;
  return (
    <Link href={place.href} asChild>
      <Pressable
        aria-current={here ? 'page' : undefined}
        style={StyleSheet.flatten([
          styles.place,
          large && styles.large,
          wide && styles.placeWide,
          here && (wide || large) && styles.here,
        ])}
      >
        {!large && <Icon name={place.glyph} color={color} />}
        <Text size="small" strong={here} color={color}>
          {place.label}
        </Text>
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  beside: { flexDirection: 'row', height: '100%' },
  place: { flex: 1, minHeight: TOUCH + 8, alignItems: 'center', justifyContent: 'center', gap: 2 },
  large: { flexGrow: 1, flexShrink: 0, flexBasis: 'auto', minHeight: TOUCH, paddingHorizontal: space.s },
  rail: {
    width: 208,
    backgroundColor: colour.sheet,
    borderRightWidth: 1,
    borderColor: colour.hairline,
    padding: space.l,
    gap: space.xl,
  },
  placeWide: {
    flex: 0,
    flexDirection: 'row',
    justifyContent: 'flex-start',
    gap: space.m,
    paddingHorizontal: space.m,
    minHeight: TOUCH,
    borderRadius: radius.m,
  },
  here: { backgroundColor: colour.kelpWash },
  leave: { minHeight: TOUCH, justifyContent: 'center' },
});
