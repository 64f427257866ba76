import { useRouter } from 'expo-router';
import { Button } from '../../ui/Button';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';

/** An address that leads nowhere, and the way on. */
export function NotFound() {
  const router = useRouter();
  return (
    <Screen>
      <PageHeading>There is no such page</PageHeading>
      <Text>The address may be from an older link, or mistyped. What you recorded is in the daybook.</Text>
      <Button label="Open the daybook" kind="main" onPress={() => router.replace('/')} />
    </Screen>
  );
}
