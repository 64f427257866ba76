import type { MarkHistory } from '@plesion/contract';
import { readBack } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { sayDate } from '../../lib/dates';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { kindName } from './words';

/** Its parents and its young, as far as that was told. */
export function Kin({ history: { mark, captures, young }, guide }: { history: MarkHistory; guide?: Guide }) {
  const parents = captures.findLast((capture) => capture.parents)?.parents;
  if (!parents && !young.length) return null;
  const rings = [
    ['mother', parents?.mother],
    ['father', parents?.father],
  ] as const;
  // Each of the young once, as it was met first.
  const each = [...new Map(young.map((one) => [one.mark ?? one.id, one] as const).reverse()).values()];
  return (
    <Card title="Kin">
      {rings.map(
        ([role, ring]) =>
          ring && (
            <LinkBox
              key={role}
              href={`/field/rings/${encodeURIComponent(ring)}`}
              gap="hair"
              justify="center"
              padY="xs"
              ruled="above"
            >
              <Text strong>{`Its ${role}: ${readBack(ring)}`}</Text>
            </LinkBox>
          ),
      )}
      {parents?.brood && <Text>{`Of the brood ${parents.brood}`}</Text>}
      {each.map((one) => (
        <LinkBox
          key={one.id}
          href={one.mark ? `/field/rings/${encodeURIComponent(one.mark)}` : `/field/captures/${one.id}`}
          gap="hair"
          justify="center"
          padY="xs"
          ruled="above"
        >
          <Text strong>{`Young: ${one.mark ? readBack(one.mark) : kindName(guide, one)}`}</Text>
          <Text size="small" quiet>
            {[sayDate(one.at), one.parents?.brood, one.parents?.mother === mark ? 'as its mother' : 'as its father']
              .filter(Boolean)
              .join(' · ')}
          </Text>
        </LinkBox>
      ))}
    </Card>
  );
}
