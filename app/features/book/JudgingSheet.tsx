import { disagreementsOf, type Guide, SCHOOLS } from '@plesion/core/guide';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../../lib/api';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Card } from '../../ui/Card';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { compiledOf } from '../records/compiled';
import { SCHOOL_LABELS } from '../records/schoolLabels';
import { useSharing } from '../sharing/useSharing';

/** How names are called with this guide, and what its authors do not agree on. */
export function JudgingSheet({ id, guide, version }: { id: string; guide: Guide; version: number }) {
  const client = useQueryClient();
  const { call } = guide.settings;
  const taken = useSharing(id)?.taken !== undefined;
  const choose = useMutation({
    mutationFn: (school: (typeof SCHOOLS)[number]) =>
      api('writeGuide', {
        params: { id },
        body: { version, guide: { ...guide, settings: { ...guide.settings, call: { ...call, school } } } },
      }),
    onSuccess: (stored) => {
      client.setQueryData(['guide', id], stored);
      void client.invalidateQueries({ queryKey: ['guides'] });
    },
  });
  const explained = {
    weigh: `A name needs ${Math.round(call.posterior * 100)} in 100, ${call.groups} independent characters, and must hold at ${Math.round(call.survives * 100)} in 100 without any one reading.`,
    diagnostic:
      'A name needs one character that nothing else has, read as sure in two separate looks, and nothing against it by more than 3 bits. What weighing would ask is still shown.',
    key: 'A name needs a whole way through a key, every couplet decided and none guessed, and the form it ends at must fit the readings. What weighing would ask is still shown.',
  };
  const disagreements = disagreementsOf(compiledOf(guide)).length;
  return (
    <Card title="Rules for naming">
      {taken ? (
        <Text>{`${SCHOOL_LABELS[call.school]}, as those who wrote it set it.`}</Text>
      ) : (
        <ChoiceGroup
          label="School"
          options={SCHOOLS.map((school) => ({ id: school, label: SCHOOL_LABELS[school] }))}
          chosen={[call.school]}
          onChange={([school]) => school !== call.school && choose.mutate(school)}
        />
      )}
      <Text size="small" quiet>
        {`${explained[call.school]}${taken ? '' : ' Changing it makes a new version of the guide; names given before keep theirs.'}`}
      </Text>
      {choose.error && (
        <Failed
          error={choose.error}
          retry={() => void client.invalidateQueries({ queryKey: ['guide', id] }).then(choose.reset)}
        />
      )}
      {guide.costs?.map(({ taxon, weight, reason }) => (
        <Text key={taxon} size="small">
          {`To miss ${guide.taxa.find((t) => t.id === taxon)?.name} counts ${weight} times: ${reason}.`}
        </Text>
      ))}
      {guide.treatments?.map(({ id: treatment, label, explanation }) => (
        <View key={treatment}>
          <Text size="small" strong>
            {label}
          </Text>
          <Text size="small" quiet>
            {explanation}
          </Text>
        </View>
      ))}
      {disagreements > 0 && (
        <Text size="small" quiet>
          {`Its sources contradict each other in ${disagreements} ${disagreements === 1 ? 'place' : 'places'}; each form’s page shows both, and on the Bench you choose.`}
        </Text>
      )}
    </Card>
  );
}
