import { type Character, type CompiledGuide, disagreementsOf, type Guide } from '@plesion/core/guide';
import { colour } from '../../theme';
import { Words } from '../../ui/Words';
import { sayScore } from '../judgement/sayScore';

/** What each source says, where two of them contradict each other on a form. */
export function Disputed({
  guide,
  compiled,
  character,
  form,
}: {
  guide: Guide;
  compiled: CompiledGuide;
  character: Character;
  form: number;
}) {
  const dispute = disagreementsOf(compiled).find((one) => one.character === character.id && one.forms.includes(form));
  return dispute?.said.map(({ source, score }) => (
    <Words key={source} size="small" color={colour.against} style={{ textAlign: 'right' }}>
      {`${guide.sources.find(({ id }) => id === source)?.label}: ${sayScore(character, score.value)}`}
    </Words>
  ));
}
