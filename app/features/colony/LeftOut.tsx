import { Text } from '../../ui/Text';
import { sayRecord } from './words';

/** What an answer was given without, for not all can be true. */
export const LeftOut = ({ records }: { records?: readonly Parameters<typeof sayRecord>[0][] }) =>
  records ? (
    <Text size="small" quiet>
      {`As if this had not been written, for not all can be true: ${records.map(sayRecord).join(', ')}.`}
    </Text>
  ) : null;
