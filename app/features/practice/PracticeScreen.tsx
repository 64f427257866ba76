import type { Guide } from '@plesion/core/guide';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { drawnViews, mainView } from '../plates/plates';
import { WithGuide } from '../records/WithGuide';
import { PracticeItem } from './PracticeItem';
import { usePractice } from './usePractice';

/** Individuals of a guide that nobody has seen before, to be told apart. */
export function PracticeScreen({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="Practice">
      {({ guide }) =>
        mainView(guide) ? (
          <Practice id={id} guide={guide} />
        ) : (
          <Empty title="Nothing to practise with">Nothing of this guide is drawn: it names no body plan.</Empty>
        )
      }
    </WithGuide>
  );
}

function Practice({ id, guide }: { id: string; guide: Guide }) {
  const [address, setAddress] = useAddress(['view'], 0);
  const views = drawnViews(guide).filter(({ id: drawn }) => guide.views.some((known) => known.id === drawn));
  const view = views.some((one) => one.id === address.view) ? address.view : undefined;
  const practice = usePractice(id, guide, view);
  return (
    <AsyncScreen what="Practice" value={practice.item} error={practice.items.error} retry={() => void practice.items.refetch()}>
      {(item) => (
        <Screen widest={860}>
          <PageHeading>Practice</PageHeading>
          <Text quiet>{guide.title}</Text>
          <PracticeItem key={item.seed} guide={guide} item={item} practice={practice} />
          <Card title="What is shown">
            <ChoiceGroup
              label="View"
              clearable
              options={views}
              chosen={view ? [view] : []}
              onChange={([next]) => setAddress({ view: next })}
            />
            <Text size="small" quiet>
              Each is drawn anew from the guide’s scores, as often as its kind lives there. {guide.caution}
            </Text>
          </Card>
        </Screen>
      )}
    </AsyncScreen>
  );
}
