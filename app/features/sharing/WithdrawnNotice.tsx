import { sayDate } from '../../lib/dates';
import { Notice } from '../../ui/Notice';
import { useSharing, withdrawnOf } from './useSharing';

/** Says of a guide that it is withdrawn, by whom and why; nothing of one that is in use. */
export function WithdrawnNotice({ guideId }: { guideId: string | undefined }) {
  const withdrawn = withdrawnOf(useSharing(guideId));
  if (!withdrawn) return null;
  const { by, from, at, why } = withdrawn;
  return (
    <Notice kind="problem" title={`This guide is withdrawn${from ? ` by “${from}”, where it was imported from` : ''}`}>
      {`${why} (${by}, ${sayDate(at.slice(0, 10))}). Names given with it stay as they are.`}
    </Notice>
  );
}
