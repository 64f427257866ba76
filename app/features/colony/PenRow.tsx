import type { Count } from '@plesion/contract/fieldwork';
import type { ColonyMember } from '@plesion/contract/colony';
import type { Pen } from '@plesion/contract/pens';
import { type PenState, whoWasIn } from '@plesion/core/colony';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { sayDate, today } from '../../lib/dates';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Disclosure } from '../../ui/Disclosure';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { penDrafts } from '../records/bookDrafts';
import { PenForm } from './PenForm';
import { Unsettled } from './Unsettled';
import { isDay, wrongDay } from './words';

interface Props {
  guide: Guide;
  guideId: string;
  state: PenState<ColonyMember, Pen>;
  members: readonly ColonyMember[];
  pens: readonly Pen[];
  /** What came of counting it last. */
  last?: Count;
  onCount: () => void;
}

/** A pen: who is in it, what is not as it should be, and what came of counting it. */
export function PenRow({ guide, guideId, state, members, pens, last, onCount }: Props) {
  const [writing, setWriting] = useState(false);
  const { name, pen, here, over, strangers, mixed } = state;
  const wrong = [
    over > 0 && `${over} more than it takes`,
    strangers.length > 0 && `not of the strain it is kept for: ${strangers.map((one) => one.name).join(', ')}`,
    ...mixed.map(({ strains, why }) => `${strains.join(' and ')} are together here, and are kept apart: ${why}`),
  ].filter((one) => one !== false);
  const about = [
    here.length ? saySexes(here) : 'nobody is in it',
    pen?.holds !== undefined && `${here.length} of ${pen.holds} places`,
    pen?.place,
    pen?.strain && `for ${pen.strain}`,
    pen?.until && `not used since ${sayDate(pen.until)}`,
  ];
  return (
    <Box padY="xs" ruled="above">
      <Row align="center">
        <Stack gap="hair" fill={180}>
          <Text strong>{name}</Text>
          <Text size="small">{about.filter(Boolean).join(' · ')}</Text>
          {pen?.note && (
            <Text size="small" quiet>
              {pen.note}
            </Text>
          )}
          {wrong.map((one) => (
            <Text key={one} size="small" color={colour.hazard}>
              {one}
            </Text>
          ))}
          {last && (
            <LinkBox href={`/field/counts/${last.id}`} justify="center" shrink self="start">
              <Text size="small" color={missingOf(last).length ? colour.hazard : colour.kelp}>
                {sayLast(last)}
              </Text>
            </LinkBox>
          )}
        </Stack>
        {here.length > 0 && <Button small label="Count it" hint={`Count it: ${name}`} onPress={onCount} />}
      </Row>
      {pen && <Unsettled drafts={penDrafts} id={pen.id} what="pen" />}
      <Disclosure title={`More of ${name}`}>
        <WhoIsIn pen={name} members={members} />
        {writing ? (
          <PenForm {...{ guide, guideId, pens, pen, name }} isEmpty={here.length === 0} onDone={() => setWriting(false)} />
        ) : (
          <Row align="center">
            <Button
              small
              label={pen ? 'Change it' : 'Describe it'}
              hint={`${pen ? 'Change it' : 'Describe it'}: ${name}`}
              onPress={() => setWriting(true)}
            />
          </Row>
        )}
      </Disclosure>
    </Box>
  );
}

/** Who was in a pen on a day: today, where no other is asked for. */
function WhoIsIn({ pen, members }: { pen: string; members: readonly ColonyMember[] }) {
  const [day, setDay] = useState(today());
  const found = isDay(day) ? whoWasIn(members, pen, day).filter(({ kept }) => day < today() || kept.status === 'here') : [];
  return (
    <Stack>
      <TextField
        label={`In ${pen} on`}
        value={day}
        onChangeText={setDay}
        hint="As YYYY-MM-DD, by the moves that are written."
        problem={wrongDay(day)}
      />
      {isDay(day) && (
        <Text size="small" quiet role="status">
          {found.length ? `${found.length} of the book` : 'Nobody, as far as is written.'}
        </Text>
      )}
      <Row gap="m" lineGap="none">
        {found.map(({ id, name, kept }) => (
          <LinkBox key={id} href={`/field/colony/${id}`} justify="center" shrink self="start">
            <Text color={colour.kelp}>{kept.status === 'here' ? name : `${name} (${kept.status} since)`}</Text>
          </LinkBox>
        ))}
      </Row>
    </Stack>
  );
}

const missingOf = ({ expected = [] }: Count): string[] => expected.filter(({ seen }) => !seen).map(({ name }) => name);

function sayLast(count: Count): string {
  const missing = missingOf(count);
  const day = sayDate(count.at);
  return missing.length ? `counted ${day}: ${missing.join(', ')} not seen` : `counted ${day}: all there`;
}

function saySexes(members: readonly ColonyMember[]): string {
  const of = (sex?: string) => members.filter(({ kept }) => kept.sex?.called === sex).length;
  const [females, males, untold] = [of('female'), of('male'), of(undefined)];
  return [
    females && `${females} ${females === 1 ? 'female' : 'females'}`,
    males && `${males} ${males === 1 ? 'male' : 'males'}`,
    untold && `${untold} not sexed`,
  ]
    .filter(Boolean)
    .join(', ');
}
