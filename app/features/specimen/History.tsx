import { inHundred } from '@plesion/core/evidence';
import { type Guide, sayFacets } from '@plesion/core/guide';
import type { Determination } from '@plesion/core/specimen';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { Stack } from '../../ui/Stack';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { sayDate } from '../../lib/dates';

export const sayUnion = (guide: Guide | undefined, { union }: Determination) =>
  guide?.unions?.find(({ id }) => id === union)?.label;

/** Every name a specimen was given, the newest first. */
export function History({ guide, determinations }: { guide?: Guide; determinations: readonly Determination[] }) {
  if (determinations.length === 0) return null;
  return (
    <Card title="Names given" aside={determinations.length > 1 ? 'newest first' : undefined}>
      {[...determinations].reverse().map((name, i) => (
        <Stack key={name.id} gap="hair" {...(i > 0 && EARLIER)}>
          <TaxonName guide={guide} {...name} size={i === 0 ? 19 : 16} />
          <Text size="small" quiet>
            {[
              guide && sayFacets(guide, name.facets),
              sayUnion(guide, name),
              guide && inHundred(name.p),
              name.by,
              sayDate(name.at, 'minute'),
              name.guideVersion && `guide version ${name.guideVersion}`,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
          {name.overruled && <Text size="small" color={colour.against}>{`Otherwise than recommended: ${name.reason}`}</Text>}
          {!name.overruled && name.reason && <Text size="small">{name.reason}</Text>}
          {name.recommended !== '' && <Text size="small" quiet>{`Recommended then: ${name.recommended}`}</Text>}
        </Stack>
      ))}
    </Card>
  );
}

const EARLIER = { ruled: 'above', padTop: 's' } as const;
