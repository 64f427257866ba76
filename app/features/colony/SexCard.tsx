import type { Colony, ColonyMember } from '@plesion/contract/colony';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { colonyApi } from './colonyApi';

interface Props {
  guide: Guide;
  guideId: string;
  member: ColonyMember;
  told?: NonNullable<Colony['posterior']>['individuals'][number];
}

/** From so much on a source is said to have told the sex. */
const TELLS = 0.9;

/** Of which sex it is: by its marks, as its strain has them, by what it and its kin carry, and as it was called. */
export function SexCard({ guide, guideId, member, told }: Props) {
  const found = useQuery({
    queryKey: ['sexing', guideId, member.id, member.version],
    retry: false,
    queryFn: ({ signal }) => colonyApi('sexing', { params: { id: guideId }, body: { individual: member.id } }, signal),
  });
  const { strain, sex } = member.kept;
  const { female, books, marks = [], known = 0 } = found.data ?? {};
  const said = [
    ...(sex ? [{ who: 'Called', p: sex.called === 'female' ? sex.certainty : 1 - sex.certainty }] : []),
    ...(female === undefined ? [] : [{ who: 'By its marks', p: female }]),
    ...(told ? [{ who: 'By what it and its kin show and carry', p: told.sexP.female }] : []),
  ];
  const sure = said.filter(({ p }) => Math.max(p, 1 - p) >= TELLS);
  const apart = sure.some(({ p }) => p > 0.5) && sure.some(({ p }) => p < 0.5);
  return (
    <Card title="Of which sex">
      {apart && (
        <Notice kind="problem" title="These do not agree">
          Look again at what speaks against the rest: an egg, a song or young of its own settle it.
        </Notice>
      )}
      {said.map(({ who, p }) => (
        <Text key={who}>{`${who}: ${saySide(p)}`}</Text>
      ))}
      {found.isPending && <Loading what="What its marks say" />}
      {found.error && <Text size="small">{`What its marks say could not be asked: ${found.error.message}`}</Text>}
      {found.data && female === undefined && (
        <Text quiet>
          No mark that tells the sexes apart was read of it: read some on the Bench, as a specimen of this individual.
        </Text>
      )}
      {marks.map(({ character, bits, ours }) => {
        const against = female !== undefined && bits > 0 !== female > 0.5;
        const label = guide.characters.find(({ id }) => id === character)?.label ?? character;
        return (
          <Row key={character} padY="xs" ruled="above">
            <Text
              size="small"
              fill={180}
            >{`${label}: ${bits > 0 ? 'a female' : 'a male'}, ${Math.abs(bits).toFixed(2)} bits`}</Text>
            <Text size="small" quiet={!against} color={against ? colour.against : undefined}>
              {[against && 'speaks against the rest', ours && `as in ${strain}`].filter(Boolean).join(' · ')}
            </Text>
          </Row>
        );
      })}
      {strain && found.data && (
        <Text size="small" quiet>
          {known === 0
            ? `Of ${strain} no other specimen is here whose sex is known: the marks are weighed as the guide has them.`
            : `Weighed with ${known === 1 ? 'one specimen' : `${known} specimens`} of ${strain} whose sex is known${
                books !== undefined && marks.some(({ ours }) => ours) ? `; by the guide alone ${saySide(books)}` : ''
              }.`}
        </Text>
      )}
    </Card>
  );
}

const saySide = (p: number): string =>
  Math.abs(p - 0.5) < 0.005
    ? 'either, as far as this says'
    : `a ${p > 0.5 ? 'female' : 'male'}, ${inHundred(Math.max(p, 1 - p))}`;
