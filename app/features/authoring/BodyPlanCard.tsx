import { PLANS } from '@plesion/core/guide';
import { foreignWords, type PlanName, type Plate } from '@plesion/core/plates';
import { useState } from 'react';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { PlateView } from '../plates/PlateView';
import { loadPlan, planOf } from '../records/plans';
import { useBodyPlan } from './useBodyPlan';
import type { PartProps } from './WritingScreen';

const PLAN_WORDS: Record<PlanName, string> = {
  ...{ crab: 'a crab', cone: 'a shell', beetle: 'a beetle' },
  ...{ tern: 'a bird with long wings', umbel: 'an umbel', moth: 'a moth' },
};
/** From where each plan is drawn, where the guide does not call it otherwise. */
const VIEW_WORDS: Record<string, string> = {
  ...{ dorsal: 'from above', ventral: 'from below', lateral: 'from the side', head: 'the head', 'hind-leg': 'a hind leg' },
  ...{ back: 'the back', aperture: 'the opening', spread: 'wings spread', rest: 'at rest' },
  ...{ perched: 'perched', below: 'from below', 'head-on': 'from the front' },
  ...{ habit: 'the whole plant', leaf: 'a leaf', stem: 'the stem', umbel: 'the umbel', flower: 'a flower', fruit: 'a fruit' },
};
const NONE = 'none';
const SIZE = 180;

/** Told of what the plates cannot show. */
const TOLD = 4;

/** As what all kinds of a guide are drawn, where they are built alike. */
export function BodyPlanCard({ draft, edit }: Pick<PartProps, 'draft' | 'edit'>) {
  const [problem, setProblem] = useState<string>();
  const plan = useBodyPlan(draft);
  const choose = async (name: PlanName) => {
    try {
      await loadPlan(name);
    } catch {
      return setProblem('What draws it is not on this device yet: it comes when there is a connection.');
    }
    setProblem(undefined);
    const views = [...draft.views, ...viewsMissing(planOf({ plan: name })!.views, draft.views)];
    edit({ do: 'part', set: { plan: name, views }, drop: ['plateTraits'] });
  };
  const foreign = plan ? foreignWords(draft, plan.vocabulary) : [];
  return (
    <Card title="Drawn as">
      <Text quiet>
        Where all kinds are built alike, whole plates are drawn of what their characters say: which character shows where is said
        with it, below. Of what nothing is said, the usual is drawn.
      </Text>
      <ChoiceGroup
        label="Body plan"
        options={[{ id: NONE, label: 'by its states alone' }, ...PLANS.map((id) => ({ id, label: PLAN_WORDS[id] }))]}
        chosen={[draft.plan ?? NONE]}
        onChange={([next]: (PlanName | typeof NONE)[]) =>
          next === NONE ? edit({ do: 'part', set: {}, drop: ['plan', 'plateTraits'] }) : void choose(next)
        }
      />
      {problem && <Notice kind="problem">{problem}</Notice>}
      {plan && (
        <Usual
          plate={plan.draw({}, plan.views[0], 'thumb')}
          label={`${PLAN_WORDS[draft.plan!]}, as it is drawn where nothing is said`}
        />
      )}
      {foreign.slice(0, TOLD).map(({ message, field }) => (
        <Text key={field} size="small" quiet>
          {message}
        </Text>
      ))}
    </Card>
  );
}

function Usual({ plate, label }: { plate: Plate; label: string }) {
  const { width, height } = plate.box;
  const scale = SIZE / Math.max(width, height);
  return <PlateView plate={plate} width={width * scale} height={height * scale} label={label} />;
}

const viewsMissing = (drawn: readonly string[], had: readonly { id: string }[]) =>
  drawn.filter((id) => !had.some((view) => view.id === id)).map((id) => ({ id, label: VIEW_WORDS[id] ?? id }));
