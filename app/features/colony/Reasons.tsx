import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { colonyApi } from './colonyApi';
import { LeftOut } from './LeftOut';
import { locusLabel, sayChance, sayRecord } from './words';

/** Told of the records. */
const TOLD = 6;

interface Props {
  guide: Guide;
  guideId: string;
  individual: string;
  locus: string;
  /** The book as it is now: another one is asked anew. */
  book: unknown;
}

/** The records that make what somebody carries what it is, each left out in turn. */
export function Reasons({ guide, guideId, individual, locus, book }: Props) {
  const [asked, setAsked] = useState(false);
  const found = useQuery({
    queryKey: ['reasons', guideId, individual, locus, book],
    enabled: asked,
    retry: false,
    queryFn: ({ signal }) => colonyApi('reasons', { params: { id: guideId }, body: { individual, locus } }, signal),
  });
  const label = `What makes it so: ${locusLabel(guide, locus)}`;
  if (!asked)
    return (
      <Row>
        <Button small label="What makes it so?" hint={label.replace('so:', 'so?')} onPress={() => setAsked(true)} />
      </Row>
    );
  return (
    <Stack gap="hair" padLeft="s" role="region" aria-label={label}>
      {found.isPending && <Loading what="Each record, left out in turn" />}
      {found.error && <Notice kind="problem">{found.error.message}</Notice>}
      {found.data && (
        <>
          {found.data.reasons.length === 0 && (
            <Text quiet size="small">
              No single record of its near kin: without any one of them it would be told the same.
            </Text>
          )}
          {found.data.reasons.slice(0, TOLD).map(({ record, bits, without }) => (
            <Text key={JSON.stringify(record)} size="small">
              {`${sayRecord(record)}, ${bits.toFixed(2)} bits: without it ${without[0].genotype} ${sayChance(without[0].p)}`}
            </Text>
          ))}
          <LeftOut records={found.data.without} />
        </>
      )}
    </Stack>
  );
}
