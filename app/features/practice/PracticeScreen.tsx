import type { StoredGuide } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { groupsAt, type NextWhy, readableIn, sayGroup } from '@plesion/core/practice';
import { lazy, Suspense } from 'react';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Screen } from '../../ui/Screen';
import { Empty, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { drawnViews, mainView } from '../plates/plates';
import { compiledOf } from '../records/compiled';
import { planOf } from '../records/plans';
import { WithGuide } from '../records/WithGuide';
import { PracticeItem } from './PracticeItem';
import { usePractice } from './usePractice';
import { levelOf, type Wanted, WAY_WORDS, WAYS } from './ways';

/** Who names one at a time does not load what shows many. */
const FlockItem = lazy(() => import('./FlockItem').then((flock) => ({ default: flock.FlockItem })));

/** Individuals of a guide that nobody has seen before, to be told apart. */
export function PracticeScreen({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="Practice">
      {(stored) =>
        mainView(stored.guide) ? (
          <Practice stored={stored} />
        ) : (
          <Empty title="Nothing to practise with">Nothing of this guide is drawn: it names no body plan.</Empty>
        )
      }
    </WithGuide>
  );
}

const FIELDS = ['way', 'view', 'a', 'b', 'mark', 'region', 'month', 'hidden', 'glimpse'] as const;
type Address = Partial<Record<(typeof FIELDS)[number], string>>;

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** Shares of what is read that leaves may come over. */
const LEAVES: Record<string, number> = { some: 0.4, much: 0.9 };

/** Seconds. */
const GLIMPSES = ['5', '2', '1'];

/** What the address asks for, as far as the guide has it. */
function wantedOf(guide: Guide, { way, view, a, b, mark, region, month, hidden, glimpse }: Address): Wanted {
  const groups = groupsAt(compiledOf(guide), levelOf(guide)).groups.map(({ id }) => id);
  const number = Number(month);
  return {
    way: WAYS.find((one) => one === way) ?? 'need',
    ...(drawnViews(guide).some(({ id }) => id === view) ? { view } : {}),
    ...(a && b && a !== b && groups.includes(a) && groups.includes(b) ? { groups: [a, b] } : {}),
    ...(guide.characters.some(({ id }) => id === mark) ? { character: mark } : {}),
    ...(guide.regions?.some(({ id }) => id === region) ? { region } : {}),
    ...(number >= 1 && number <= 12 ? { month: number } : {}),
    ...(hidden && hidden in LEAVES ? { hidden: LEAVES[hidden] } : {}),
    ...(glimpse && GLIMPSES.includes(glimpse) ? { glimpse: Number(glimpse) } : {}),
  };
}

function Practice({ stored }: { stored: StoredGuide }) {
  const { guide } = stored;
  const [address, setAddress] = useAddress([...FIELDS], 0);
  const wanted = wantedOf(guide, address);
  const practice = usePractice(stored, wanted);
  const views = drawnViews(guide).filter(({ id: drawn }) => guide.views.some((known) => known.id === drawn));
  return (
    <AsyncScreen what="Practice" value={practice.current}>
      {({ item, asked, why }) => (
        <Screen widest={860}>
          <PageHeading>Practice</PageHeading>
          <Text quiet>{guide.title}</Text>
          {item?.flock ? (
            <Suspense fallback={<Loading what="The flock" />}>
              <FlockItem
                key={item.seed}
                guide={guide}
                item={item}
                glimpse={asked.glimpse}
                why={why && WHY_WORDS[why]}
                practice={practice}
              />
            </Suspense>
          ) : item ? (
            <PracticeItem
              key={`${item.seed} ${JSON.stringify(asked)}`}
              guide={guide}
              item={item}
              asked={asked}
              why={why && WHY_WORDS[why]}
              practice={practice}
            />
          ) : (
            <Empty title="Nothing of that can be drawn">Choose another view, or another way below.</Empty>
          )}
          <Card title="What is shown">
            <ChoiceGroup
              label="Way"
              options={WAYS.map((way) => ({ id: way, label: WAY_WORDS[way] }))}
              chosen={[wanted.way]}
              onChange={([way]) => setAddress({ way })}
            />
            <About guide={guide} wanted={wanted} address={address} setAddress={setAddress} />
            <ChoiceGroup
              label="View"
              clearable
              options={views}
              chosen={wanted.view ? [wanted.view] : []}
              onChange={([next]) => setAddress({ view: next })}
            />
            {!item?.flock && (
              <ChoiceGroup
                label="Behind leaves"
                clearable
                options={Object.keys(LEAVES).map((id) => ({ id, label: id }))}
                chosen={wanted.hidden ? [address.hidden!] : []}
                onChange={([hidden]) => setAddress({ hidden })}
              />
            )}
            <ChoiceGroup
              label="A glimpse only"
              clearable
              options={GLIMPSES.map((id) => ({ id, label: `${id} s` }))}
              chosen={wanted.glimpse ? [address.glimpse!] : []}
              onChange={([glimpse]) => setAddress({ glimpse })}
            />
            <Text size="small" quiet>
              {`Each is drawn anew from the guide’s scores. By keys: numbers choose, the first letter of a word says how sure, space answers and goes on. ${guide.caution}`}
            </Text>
          </Card>
        </Screen>
      )}
    </AsyncScreen>
  );
}

const WHY_WORDS: Record<NextWhy, string> = {
  due: 'Due: you learned these two before.',
  confused: 'You took these two for each other.',
  new: 'Two that are new to you.',
  kept: 'Nothing is due; these two you may have forgotten first.',
};

interface AboutProps {
  guide: Guide;
  wanted: Wanted;
  address: Address;
  setAddress: (change: Address) => void;
}

/** What a way is about: two groups, a character, a place and a month. */
function About({ guide, wanted, address, setAddress }: AboutProps) {
  if (wanted.way === 'pair') {
    const items = groupsAt(compiledOf(guide), levelOf(guide)).groups.map((group) => ({
      id: group.id,
      label: sayGroup(guide, group),
    }));
    return (
      <>
        <Picker label="One" items={items} chosen={address.a} onChange={(a) => setAddress({ a })} />
        <Picker
          label="The other"
          items={items.filter(({ id }) => id !== address.a)}
          chosen={address.b}
          onChange={(b) => setAddress({ b })}
        />
      </>
    );
  }
  if (wanted.way === 'mark') {
    const plan = planOf(guide)!;
    const shown = drawnViews(guide).flatMap(({ id }) => readableIn(guide, plan, id));
    const items = [...new Map(shown.map(({ id, label }) => [id, { id, label }])).values()];
    return (
      <Picker
        label="The mark"
        items={items}
        chosen={wanted.character}
        onChange={(mark) => setAddress({ mark, view: undefined })}
      />
    );
  }
  if (wanted.way === 'life')
    return (
      <>
        {guide.regions && guide.regions.length > 1 && (
          <ChoiceGroup
            label="Where"
            clearable
            options={guide.regions.map(({ id, label }) => ({ id, label }))}
            chosen={wanted.region ? [wanted.region] : []}
            onChange={([region]) => setAddress({ region })}
          />
        )}
        <ChoiceGroup
          label="When"
          clearable
          options={MONTHS.map((label, i) => ({ id: String(i + 1), label }))}
          chosen={wanted.month ? [String(wanted.month)] : []}
          onChange={([month]) => setAddress({ month })}
        />
        <Text size="small" quiet>
          Each comes as often as it lives there then: the rare one comes rarely.
        </Text>
      </>
    );
  return null;
}
