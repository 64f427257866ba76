import type { SpecimenWrite } from '@plesion/contract';
import { Card } from '../../ui/Card';
import { KeyLink } from './KeysSheet';
import { useKeys } from '../records/useKeys';

/** The keys that a specimen can be walked through; nothing where its guide has none. */
export function KeyItSheet({ id, content }: { id: string; content: SpecimenWrite }) {
  const keys = useKeys(content.guideId).data?.keys ?? [];
  if (keys.length === 0) return null;
  const begun = content.walk;
  return (
    <Card title="By a key" aside={begun && `${begun.answers.length} couplets answered`}>
      {[...keys]
        .sort((a, b) => Number(b.id === begun?.keyId) - Number(a.id === begun?.keyId))
        .map((row) => (
          <KeyLink key={row.id} row={row} href={`/keys/${row.id}/walk?specimen=${id}`} />
        ))}
    </Card>
  );
}
