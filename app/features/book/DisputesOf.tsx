import { type CompiledGuide, disagreementsOf } from '@plesion/core/guide';
import { View } from 'react-native';
import { colour } from '../../theme';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { sayScore } from '../judgement/sayScore';

/** Where the sources contradict each other on a form: what each of them says. */
export function DisputesOf({ compiled, form }: { compiled: CompiledGuide; form: number }) {
  const { guide } = compiled;
  const disputes = disagreementsOf(compiled).filter(({ forms }) => forms.includes(form));
  if (disputes.length === 0) return null;
  return (
    <Sheet title="Where the sources contradict each other">
      {disputes.map(({ character: id, said }) => {
        const character = guide.characters.find((one) => one.id === id)!;
        return (
          <View key={id}>
            <Words size="small" strong>
              {character.label}
            </Words>
            {said.map(({ source, score }) => (
              <Words key={source} size="small" color={colour.against}>
                {`${guide.sources.find((one) => one.id === source)?.label}: ${sayScore(character, score.value)}`}
              </Words>
            ))}
          </View>
        );
      })}
    </Sheet>
  );
}
