import { usePathname } from 'expo-router';
import { Box } from '../../ui/Box';
import { Text } from '../../ui/Text';
import { useSession } from '../session/useSession';

/** Pages on which something is recorded or written. */
const WRITES = [
  /^\/specimens\/(new|[^/]+\/(bench|name|situation|measure|tempo))/,
  /^\/field\/(catch|visits|sheet|counts|import|strings|sites|office|map)/,
  /^\/keys\/(make|read|[^/]+\/edit)/,
  /^\/guides\/learn/,
  /^\/lots/,
];

/** Who learns is told before they write that the station does not keep it. */
export function LearnerNote() {
  const path = usePathname();
  const { account } = useSession();
  if (account.role !== 'learner' || !WRITES.some((pattern) => pattern.test(path))) return null;
  return (
    <Box padX="l" padY="s" tone="kelpWash">
      <Text size="small">You are a learner here: you may look and practise, and the station does not keep what you record.</Text>
    </Box>
  );
}
