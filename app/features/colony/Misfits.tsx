import type { Colony } from '@plesion/contract/colony';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import type { HeredityRecord } from '@plesion/core/heredity/schema';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { colonyApi } from './colonyApi';
import { SettleForm } from './SettleForm';
import { sayRecord, standing } from './words';

interface Props {
  colony: Colony;
  guide: Guide;
  guideId: string;
}

const ONE = 'One of these is wrong, the likeliest first:';
/** Shown of the ways out of one matter. */
const WAYS = 6;

/** Records that cannot all be true, and those that are likelier wrong than right: each to be looked at and settled. */
export function Misfits(props: Props) {
  const { members, posterior, problems } = props.colony;
  const all = posterior?.impossible ?? [];
  const matters = [...new Set(all.map(({ matter }) => matter))].map((own) => all.filter(({ matter }) => matter === own));
  const unlikely = useQuery({
    queryKey: ['unlikely', props.guideId, standing(members)],
    enabled: posterior !== undefined,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => colonyApi('unlikely', { params: { id: props.guideId } }, signal),
  });
  const doubtful = unlikely.data?.records ?? [];
  if (!problems.length && !matters.length && !doubtful.length && !unlikely.error) return null;
  return (
    <Card title="Something does not fit">
      {problems.map(({ name, message }) => (
        <Way key={message} id={members.find((one) => one.name === name)?.id}>
          {message}
        </Way>
      ))}
      {matters.length > 0 && (
        <>
          {matters.map((ways, at) => (
            <Stack key={ways[0].why}>
              <Text>{`${at === 0 ? 'Not all that is written can be true.' : 'And apart from that:'} ${ONE}`}</Text>
              {ways.slice(0, WAYS).map(({ why, records, p }) => (
                <Doubted key={why} {...props} record={records[0]} what={sayWrong(records)} odds={`(${inHundred(p)} of these)`} />
              ))}
              {ways.length > WAYS && <Text quiet size="small">{`or one of ${ways.length - WAYS} more`}</Text>}
            </Stack>
          ))}
          <Text quiet size="small">
            {`What is said of the others below is as if the first of these${matters.length > 1 ? ', each time,' : ''} had not been written. Look at it again, and settle it: what was written stays beside what is right.`}
          </Text>
          {unlikely.isPending && <Loading what="What else is unlikely" />}
        </>
      )}
      {doubtful.length > 0 && (
        <>
          <Text>These can be true, but all the others speak against them:</Text>
          {doubtful.map(({ record, p }) => (
            <Doubted key={sayRecord(record)} {...props} record={record} what={sayWrong([record])} odds={`(${inHundred(p)})`} />
          ))}
        </>
      )}
      {unlikely.error && <Text size="small">{`What is unlikely could not be looked at: ${unlikely.error.message}`}</Text>}
    </Card>
  );
}

const sayWrong = (records: readonly HeredityRecord[]): string =>
  `${records.map(sayRecord).join(' and ')} ${records.length > 1 ? 'are' : 'is'} wrong`;

interface DoubtedProps {
  record: HeredityRecord;
  /** What may be wrong, and how likely that is. */
  what: string;
  odds: string;
}

/** A record that may be wrong, with the form by which it is settled. */
function Doubted({ colony: { members }, guide, guideId, record, what, odds }: Props & DoubtedProps) {
  const [settling, setSettling] = useState(false);
  const member = members.find(({ name }) => name === record.id);
  return (
    <Stack gap="xs" padY="xs" ruled="above">
      <Row align="center">
        <Way id={member?.id}>{`${what} ${odds}`}</Way>
        {member && !settling && <Button small label="Settle it" hint={`Settle it: ${what}`} onPress={() => setSettling(true)} />}
      </Row>
      {member && settling && (
        <SettleForm
          {...{ guide, guideId, member, members }}
          doubted={{ what: record.what, ...('character' in record ? { character: record.character } : {}) }}
          onDone={() => setSettling(false)}
        />
      )}
    </Stack>
  );
}

const Way = ({ id, children }: { id?: string; children: string }) =>
  id === undefined ? (
    <Text fill={180}>{children}</Text>
  ) : (
    <LinkBox href={`/field/colony/${id}`} justify="center" fill={180}>
      <Text color={colour.kelp}>{children}</Text>
    </LinkBox>
  );
