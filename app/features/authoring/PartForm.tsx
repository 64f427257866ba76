import type { Part } from '@plesion/core/authoring';
import { FACETS } from '@plesion/core/guide';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { TextField } from '../../ui/TextField';
import { readDays, sayDays } from './days';
import { FacetChoices } from './FacetChoices';
import type { PartProps } from './WritingScreen';

interface Props {
  draft: PartProps['draft'];
  part: Part;
  onChoose: (part: Part) => void;
  onClose: () => void;
}

/** Which part of a taxon: of several things chosen in one line, any; of several lines, all. */
export function PartForm({ draft, part, onChoose, onClose }: Props) {
  const [facets, setFacets] = useState(part.facets ?? {});
  const [regions, setRegions] = useState<string[]>(part.regions ?? []);
  const [circumstances, setCircumstances] = useState<string[]>(part.circumstances ?? []);
  const [days, setDays] = useState(sayDays(part.dates));
  const [problem, setProblem] = useState<string>();
  // In the order in which the guide has them, so that the same choice is the same part.
  const inOrder = (list: readonly { id: string }[] | undefined, chosen: readonly string[]) =>
    (list ?? []).map(({ id }) => id).filter((id) => chosen.includes(id));
  const choose = () => {
    const dates = readDays(days);
    if (dates === 'unreadable') return setProblem('Write two days, such as 1 Apr to 31 Aug.');
    const own = Object.fromEntries(
      FACETS.flatMap((facet) => {
        const values = inOrder(draft.facets[facet], facets[facet] ?? []);
        return values.length ? [[facet, values]] : [];
      }),
    );
    const [inRegions, when] = [inOrder(draft.regions, regions), inOrder(draft.circumstances, circumstances)];
    onChoose({
      ...(Object.keys(own).length ? { facets: own } : {}),
      ...(inRegions.length ? { regions: inRegions } : {}),
      ...(dates ? { dates } : {}),
      ...(when.length ? { circumstances: when } : {}),
    });
  };
  return (
    <Card title="Of which part">
      <FacetChoices facets={draft.facets} chosen={facets} onChange={setFacets} />
      {draft.regions.length > 0 && (
        <ChoiceGroup many label="Where" options={draft.regions} chosen={regions} onChange={setRegions} />
      )}
      <TextField
        label="From which day to which"
        hint="Such as 1 Apr to 31 Aug; empty for all the year."
        value={days}
        onChangeText={setDays}
        problem={problem}
      />
      {draft.circumstances && draft.circumstances.length > 0 && (
        <ChoiceGroup many label="When" options={draft.circumstances} chosen={circumstances} onChange={setCircumstances} />
      )}
      <Row>
        <Button label="Write of it" onPress={choose} />
        <Button kind="quiet" label="Cancel" onPress={onClose} />
      </Row>
    </Card>
  );
}
