import { download } from '../lib/download';
import { colour } from '../theme';
import { Button } from './Button';
import { Icon } from './Icon';

interface DownloadButtonProps {
  label: string;
  hint: string;
  url: () => string;
  /** Without a frame: for names of files, which take several lines. */
  quiet?: boolean;
}

/** Gives the person a file of the server's to keep. */
export function DownloadButton({ label, hint, url, quiet }: DownloadButtonProps) {
  return (
    <Button
      kind={quiet ? 'quiet' : 'plain'}
      small={quiet}
      label={label}
      hint={hint}
      icon={<Icon name="download" size={18} color={colour.kelp} />}
      onPress={() => download(url())}
    />
  );
}
