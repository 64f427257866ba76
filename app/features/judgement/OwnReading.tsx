import { type Guide, type Judgement, reliabilityOf } from '@plesion/core/guide';
import { rhoOf } from '@plesion/core/practice';
import { useQuery } from '@tanstack/react-query';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { standingQuery } from '../records/practiceAnswers';
import { useSession } from '../session/useSession';

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
      <View style={styles.part}>
        <Text size="small">{`${reader.name}’s own reading counts: ${sayRho(guide, reader.rho)}.`}</Text>
        <View style={styles.act}>
          <Button small label="As the guide has it" onPress={() => onJudge({ ...judgement, reader: undefined })} />
        </View>
      </View>
    );
  const rho = Object.fromEntries(
    (data?.guides.find((one) => one.guideId === guideId)?.marks ?? []).flatMap((mark) => {
      const character = guide.characters.find(({ id }) => id === mark.character);
      // Two figures are more than so few answers tell.
      return character?.states
        ? [[mark.character, Math.round(100 * rhoOf(reliabilityOf(guide, character), mark).rho) / 100]]
        : [];
    }),
  );
  if (!Object.keys(rho).length)
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
    <View style={styles.part}>
      <Text size="small">{`As you have practised: ${sayRho(guide, rho)}.`}</Text>
      <View style={styles.act}>
        <Button small label="Let my own reading count" onPress={() => onJudge({ ...judgement, reader: { name, rho } })} />
      </View>
    </View>
  );
}

const sayRho = (guide: Guide, rho: Readonly<Record<string, number>>): string =>
  Object.entries(rho)
    .flatMap(([id, own]) => {
      const character = guide.characters.find((one) => one.id === id);
      return character ? `${character.label} ${own.toFixed(2)} (the guide’s ${reliabilityOf(guide, character).toFixed(2)})` : [];
    })
    .join(', ');

const styles = StyleSheet.create({ part: { gap: space.s }, act: { flexDirection: 'row' } });
