import { type Part, partKey, partsIn, sayPart } from '@plesion/core/authoring';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PartForm } from './PartForm';
import type { PartProps } from './WritingScreen';

interface Props extends Pick<PartProps, 'draft' | 'scores'> {
  source: string;
  part: Part;
  onChange: (part: Part) => void;
}

/** Of which part of each taxon the grid speaks: all of it, a sex, a stage, a region, a time of the year. */
export function PartChoice({ draft, scores, source, part, onChange }: Props) {
  const [open, setOpen] = useState(false);
  const used = partsIn(scores, source);
  const own = partKey(part);
  const all = new Map([...used.map((one) => one.part), {}, part].map((one) => [partKey(one), one]));
  const n = new Map(used.map((one) => [partKey(one.part), one.n]));
  const divides = Object.keys(draft.facets).length > 0 || draft.regions.length > 0 || Boolean(draft.circumstances?.length);
  if (all.size === 1 && !open)
    return divides ? (
      <Button small kind="quiet" label="Write of a part of them, such as one sex" onPress={() => setOpen(true)} />
    ) : null;
  const keys = [partKey({}), ...[...all.keys()].filter((key) => key !== partKey({}))];
  return (
    <>
      <ChoiceGroup
        label="Said of"
        options={keys.map((key) => ({ id: key, label: labelOf(sayPart(draft, all.get(key)!), n.get(key)) }))}
        chosen={[own]}
        onChange={([key]) => onChange(all.get(key)!)}
      />
      {open ? (
        <PartForm
          draft={draft}
          part={part}
          onChoose={(next) => {
            onChange(next);
            setOpen(false);
          }}
          onClose={() => setOpen(false)}
        />
      ) : (
        <Button small kind="quiet" label="Another part" onPress={() => setOpen(true)} />
      )}
    </>
  );
}

const labelOf = (words: string, n: number | undefined): string => (words ? `${words}${n ? ` · ${n}` : ''}` : 'all of it');
