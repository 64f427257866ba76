import { type Guide, isValue, type Judgement, reliabilityOf } from '@plesion/core/guide';
import { eyeOf, rhoOf } from '@plesion/core/practice';
import { useQuery } from '@tanstack/react-query';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { standingQuery } from '../records/practiceAnswers';
import { useSession } from '../session/useSession';
import { sayEye } from './sayEye';

/** Values by eye from which on they tell something of it. */
const LEAST_VALUES = 5;

/** More figures are more than so few answers tell. */
const round = (value: number) => Math.round(100 * value) / 100;

interface OwnReadingProps {
  guideId: string;
  guide: Guide;
  judgement: Judgement;
  onJudge: (judgement: Judgement) => void;
}

/** How one reads marks oneself, as practice tells, may count in place of what the guide takes for all. */
export function OwnReading({ guideId, guide, judgement, onJudge }: OwnReadingProps) {
  const { name } = useSession().account;
  const { data, isPending } = useQuery(standingQuery);
  const { reader } = judgement;
  if (reader)
    return (
      <Stack>
        <Text size="small">{`${reader.name}’s own reading counts: ${sayOwn(guide, reader)}.`}</Text>
        <Row>
          <Button small label="As the guide has it" onPress={() => onJudge({ ...judgement, reader: undefined })} />
        </Row>
      </Stack>
    );
  const marks = data?.guides.find((one) => one.guideId === guideId)?.marks ?? [];
  const rho = Object.fromEntries(
    marks.flatMap((mark) => {
      const character = guide.characters.find(({ id }) => id === mark.character);
      // Two figures are more than so few answers tell.
      return character?.states
        ? [[mark.character, Math.round(100 * rhoOf(reliabilityOf(guide, character), mark).rho) / 100]]
        : [];
    }),
  );
  const eye = Object.fromEntries(
    marks.flatMap(({ character: id, bias }) => {
      const character = guide.characters.find((one) => one.id === id);
      if (!character || !isValue(character) || !bias || bias.values < LEAST_VALUES) return [];
      const own = eyeOf(bias);
      return [[id, { ratio: round(own.ratio), spread: round(own.spread) }]];
    }),
  );
  const some = Object.keys(eye).length > 0;
  if (!Object.keys(rho).length && !some)
    return (
      <Text size="small" quiet>
        {isPending
          ? 'Looking how you read its marks …'
          : data
            ? 'After practice with its marks, your own reading of them can count here.'
            : 'Your practice cannot be had without a connection.'}
      </Text>
    );
  return (
    <Stack>
      <Text size="small">{`As you have practised: ${sayOwn(guide, { rho, eye })}.`}</Text>
      <Row>
        <Button
          small
          label="Use my own reading"
          onPress={() => onJudge({ ...judgement, reader: { name, rho, ...(some ? { eye } : {}) } })}
        />
      </Row>
    </Stack>
  );
}

const sayOwn = (guide: Guide, { rho, eye = {} }: Pick<NonNullable<Judgement['reader']>, 'rho' | 'eye'>): string =>
  [
    ...Object.entries(rho).flatMap(([id, own]) => {
      const character = guide.characters.find((one) => one.id === id);
      return character ? `${character.label} ${own.toFixed(2)} (the guide’s ${reliabilityOf(guide, character).toFixed(2)})` : [];
    }),
    ...Object.entries(eye).flatMap(([id, own]) => {
      const character = guide.characters.find((one) => one.id === id);
      return character ? `${character.label} by eye ${sayEye(own)}` : [];
    }),
  ].join(', ');
