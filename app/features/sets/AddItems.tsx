import type { SetItem } from '@plesion/contract/sets';
import type { Guide } from '@plesion/core/guide';
import { groupsAt, sayGroup } from '@plesion/core/practice';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { numberOf } from '../../lib/numberOf';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { TextField } from '../../ui/TextField';
import { drawnViews } from '../plates/plates';
import { GLIMPSES, LEAVES } from '../practice/wanted';
import { levelOf } from '../practice/ways';
import { drawItems } from './drawItems';
import { compiledOf } from '../records/compiled';

interface AddItemsProps {
  guide: Guide;
  /** How many more there may be. */
  room: number;
  onAdd: (items: SetItem[]) => void;
}

/** What is asked for, as it was typed. */
const Asked = z.object({
  groups: z.array(z.string()),
  views: z.array(z.string()),
  number: z.string(),
  seed: z.string(),
  hidden: z.string().optional(),
  glimpse: z.string().optional(),
  told: z.boolean(),
});
type Asked = z.infer<typeof Asked>;
const FIRST: Asked = { groups: [], views: [], number: '10', seed: '', told: true };

/** Items by rule: of which kinds, in which views, how many, from which seed. */
export function AddItems({ guide, room, onAdd }: AddItemsProps) {
  const [asked, change] = useKeptState(`items.${guide.id}`, Asked, FIRST);
  const { number, seed, told } = asked;
  const [problem, setProblem] = useState<string>();
  const level = levelOf(guide);
  const kinds = groupsAt(compiledOf(guide), level).groups.map((group) => ({ id: group.id, label: sayGroup(guide, group) }));
  const offered = drawnViews(guide).filter(({ id }) => guide.views.some((view) => view.id === id));
  // What was kept may be of a guide that has changed since.
  const groups = asked.groups.filter((group) => kinds.some(({ id }) => id === group));
  const views = asked.views.filter((view) => offered.some(({ id }) => id === view));
  const hidden = Object.keys(LEAVES).find((id) => id === asked.hidden);
  const glimpse = GLIMPSES.find((id) => id === asked.glimpse);
  const add = () => {
    const n = numberOf(number);
    if (n === undefined || !Number.isInteger(n) || n < 1) return setProblem('How many: give a whole number from 1 on.');
    if (n > room) return setProblem(room > 0 ? `How many: there is room for ${room} more.` : 'The set is full.');
    if (groups.length === 1) return setProblem('Which kinds: choose two at the least, or none for all.');
    setProblem(undefined);
    const rule = { level, groups, views, hidden: hidden && LEAVES[hidden], glimpse: glimpse && Number(glimpse) };
    const items = drawItems(guide, { ...rule, n, told, seed: seed.trim() || mintId() });
    if (!items.length) return setProblem('Nothing of that can be drawn. Choose other kinds, or another view.');
    if (items.length < n)
      setProblem(`Only ${items.length} of them can be told: choose other views, or take such as cannot be told too.`);
    onAdd(items);
  };
  return (
    <Card title="Add items">
      <ChoiceGroup
        label="Of which kinds (all, where none is chosen)"
        many
        options={kinds}
        chosen={groups}
        onChange={(next) => change({ groups: next })}
      />
      <ChoiceGroup
        label="In which views (any)"
        many
        options={offered}
        chosen={views}
        onChange={(next) => change({ views: next })}
      />
      <TextField label="How many" inputMode="numeric" value={number} onChangeText={(next) => change({ number: next })} />
      <ChoiceGroup
        label="Of those, take"
        options={[
          { id: 'told', label: 'only such as can be told' },
          { id: 'all', label: 'as they come' },
        ]}
        chosen={[told ? 'told' : 'all']}
        onChange={([next]) => change({ told: next === 'told' })}
      />
      <Disclosure title="More">
        <ChoiceGroup
          label="Behind leaves"
          clearable
          options={Object.keys(LEAVES).map((id) => ({ id, label: id }))}
          chosen={hidden ? [hidden] : []}
          onChange={([next]) => change({ hidden: next })}
        />
        <ChoiceGroup
          label="A glimpse only"
          clearable
          options={GLIMPSES.map((id) => ({ id, label: `${id} s` }))}
          chosen={glimpse ? [glimpse] : []}
          onChange={([next]) => change({ glimpse: next })}
        />
        <TextField
          label="Seed"
          hint="The same seed draws the same individuals again. Nothing draws new ones."
          maxLength={40}
          value={seed}
          onChangeText={(next) => change({ seed: next })}
        />
      </Disclosure>
      {problem && <Notice kind="problem">{problem}</Notice>}
      <Row gap="m" oneLine>
        <Button label="Add them" onPress={add} />
      </Row>
    </Card>
  );
}
