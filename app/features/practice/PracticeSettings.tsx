import { type Guide, SHORT_MONTHS } from '@plesion/core/guide';
import { beatsOf, groupsAt, readableIn, sayGroup } from '@plesion/core/practice';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
import { drawnViews } from '../plates/plates';
import { compiledOf } from '../records/compiled';
import { planOf } from '../records/plans';
import { type Address, GLIMPSES, LEAVES, LIGHTS } from './wanted';
import { IN_THE_OPEN, levelOf, type Wanted, WAY_WORDS, WAYS } from './ways';

const LIGHT_WORDS: Record<(typeof LIGHTS)[number], string> = { dusk: 'at dusk', glare: 'against the light' };

interface PracticeSettingsProps {
  guide: Guide;
  wanted: Wanted;
  address: Address;
  setAddress: (change: Address) => void;
}

/** How one practises: in which way, and what is seen of an individual. */
export function PracticeSettings({ guide, wanted, address, setAddress }: PracticeSettingsProps) {
  const views = drawnViews(guide).filter(({ id: drawn }) => guide.views.some((known) => known.id === drawn));
  return (
    <Card title="What is shown">
      <ChoiceGroup
        label="Way"
        options={WAYS.map((way) => ({ id: way, label: WAY_WORDS[way] }))}
        chosen={[wanted.way]}
        onChange={([way]) => setAddress({ way })}
      />
      <About guide={guide} wanted={wanted} address={address} setAddress={setAddress} />
      {wanted.way !== 'photos' && (
        <ChoiceGroup
          label="View"
          clearable
          options={views}
          chosen={wanted.view ? [wanted.view] : []}
          onChange={([next]) => setAddress({ view: next })}
        />
      )}
      {!IN_THE_OPEN.includes(wanted.way) && (
        <>
          <ChoiceGroup
            label="Behind leaves"
            clearable
            options={Object.keys(LEAVES).map((id) => ({ id, label: id }))}
            chosen={wanted.hidden ? [address.hidden!] : []}
            onChange={([hidden]) => setAddress({ hidden })}
          />
          <ChoiceGroup
            label="Light"
            clearable
            options={LIGHTS.map((id) => ({ id, label: LIGHT_WORDS[id] }))}
            chosen={wanted.light ? [wanted.light] : []}
            onChange={([light]) => setAddress({ light })}
          />
          <ChoiceGroup
            label="Distance"
            clearable
            options={[{ id: 'far', label: 'far off' }]}
            chosen={wanted.far ? ['far'] : []}
            onChange={([far]) => setAddress({ far })}
          />
        </>
      )}
      {wanted.way !== 'walk' && (
        <ChoiceGroup
          label="A glimpse only"
          clearable
          options={GLIMPSES.map((id) => ({ id, label: `${id} s` }))}
          chosen={wanted.glimpse ? [address.glimpse!] : []}
          onChange={([glimpse]) => setAddress({ glimpse })}
        />
      )}
      <Text size="small" quiet>
        {`Each is drawn anew from the guide’s scores. By keys: numbers choose, the first letter of a word says how sure, space answers and goes on. ${guide.caution}`}
      </Text>
    </Card>
  );
}

/** What a way is about: two groups, a character, a place and a month. */
function About({ guide, wanted, address, setAddress }: PracticeSettingsProps) {
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
    const shown = [...drawnViews(guide).flatMap(({ id }) => readableIn(guide, plan, id)), ...beatsOf(guide, plan)];
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
          options={SHORT_MONTHS.map((label, i) => ({ id: String(i + 1), label }))}
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
