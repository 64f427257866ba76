import type { Colony, ColonyMember } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { colour } from '../../theme';
import { Announce } from '../../ui/Announce';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { MemberPlate } from './MemberPlate';
import { sayCarried, sayChance, sayPlace, saySex, sayShown } from './words';

interface Props {
  guide: Guide;
  colony: Colony;
  member: ColonyMember;
  /** What is looked for, and the chance that it carries it. */
  shade?: { label: string; p: number };
  isFolded: boolean;
  hasYoung: boolean;
  onFocus: (toward: 'ancestors' | 'descendants') => void;
  onFold: () => void;
}

/** Whoever was touched in the pedigree: what it is, what it carries, and what else can be drawn from it. */
export function ChosenMember({ guide, colony, member, shade, isFolded, hasYoung, onFocus, onFold }: Props) {
  const told = colony.posterior?.individuals.find(({ id }) => id === member.name);
  const shown = [saySex(member, told?.sexP), sayShown(guide, member)].filter(Boolean).join(', ');
  const carried = told && sayCarried(guide, told.genotypes);
  const shaded = shade && `carries ${shade.label}: ${sayChance(shade.p)}`;
  return (
    <Card>
      <Announce>{[member.name, shown, shaded, carried].filter(Boolean).join('. ')}</Announce>
      <Row gap="m" align="center">
        <MemberPlate guide={guide} member={member} sexP={told?.sexP} width={110} />
        <Stack gap="hair" fill least={180}>
          <LinkBox href={`/field/colony/${member.id}`} justify="center" self="start">
            <Text strong color={colour.kelp}>
              {member.name}
            </Text>
          </LinkBox>
          <Text>{shown}</Text>
          <Text size="small" quiet>
            {sayPlace(member)}
          </Text>
          {shaded && <Text strong>{shaded}</Text>}
          {carried && <Text size="small">{carried}</Text>}
        </Stack>
      </Row>
      <Row>
        <Button small label="Only its ancestors" onPress={() => onFocus('ancestors')} />
        {hasYoung && <Button small label="Only its descendants" onPress={() => onFocus('descendants')} />}
        {hasYoung && <Button small label={isFolded ? 'Unfold its young' : 'Fold its young'} onPress={onFold} />}
      </Row>
    </Card>
  );
}
