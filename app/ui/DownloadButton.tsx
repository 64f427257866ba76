import { download } from '../lib/download';
import { colour } from '../theme';
import { Button } from './Button';
import { Icon } from './Icon';

/** Gives the person a file of the server's to keep. */
export function DownloadButton({ label, hint, url }: { label: string; hint: string; url: () => string }) {
  return (
    <Button
      label={label}
      hint={hint}
      icon={<Icon name="download" size={18} color={colour.kelp} />}
      onPress={() => download(url())}
    />
  );
}
