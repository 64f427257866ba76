import { DownloadButton } from '../../ui/DownloadButton';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

interface SendPageProps {
  url: (as: 'pdf' | 'png', paper?: 'a5') => string;
  /** Is there a small sheet of it, to print and carry? */
  small?: boolean;
}

/** A page for the person who asked. */
export function SendPage({ url, small }: SendPageProps) {
  return (
    <Row align="center">
      <Text size="small" quiet fill={180}>
        A page to send, with the characters pointed at.
      </Text>
      {(['pdf', 'png'] as const).map((as) => (
        <DownloadButton key={as} label={as.toUpperCase()} hint={`Download the page as ${as.toUpperCase()}`} url={() => url(as)} />
      ))}
      {small && <DownloadButton label="A5" hint="Download a small sheet to print, A5" url={() => url('pdf', 'a5')} />}
    </Row>
  );
}
