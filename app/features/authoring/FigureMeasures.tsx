import type { DraftCharacter } from '@plesion/core/authoring';
import type { Figure } from '@plesion/core/guide';
import { useMemo, useState } from 'react';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { FreeTable } from '../measure/FreeTable';
import { TOOL, type Tool, toolOf, TOOLS } from '../measure/tools';

interface Props {
  /** Of the draft. */
  id: string;
  figure: Figure;
  characters: readonly DraftCharacter[];
  /** What was measured, in words, with its error. */
  onTold: (words: string) => void;
}

/** The ways to measure on a photograph: what is taken in the view that it shows first. */
const waysFor = (characters: readonly DraftCharacter[], view: string): { id: string; tool: Tool }[] => [
  ...characters
    .flatMap(({ id, label, protocol }) =>
      protocol ? [{ id, fits: protocol.view === view, tool: toolOf({ label, protocol }) }] : [],
    )
    .sort((a, b) => Number(b.fits) - Number(a.fits)),
  ...TOOLS.map((name) => ({ id: `${name} alone`, tool: TOOL[name] })),
];

/** A photograph of a guide measured: by a character that says how it is taken, or whatever else; it stands in its words. */
export function FigureMeasures({ id, figure, characters, onTold }: Props) {
  const [chosen, choose] = useState<string>();
  const { view } = figure;
  const ways = useMemo(() => waysFor(characters, view), [characters, view]);
  const way = ways.find((one) => one.id === chosen);
  return (
    <Stack gap="m">
      <Text size="small" quiet>
        What it comes to is written, with its error, into what is to be seen on it.
      </Text>
      <ChoiceGroup
        label="What is measured"
        hideLabel
        options={ways.map(({ id: one, tool }) => ({ id: one, label: tool.label }))}
        chosen={way ? [way.id] : []}
        onChange={([next]) => choose(next)}
      />
      {way && (
        <FreeTable
          key={way.id}
          name={`${id} ${figure.id} ${way.id}`}
          tool={way.tool}
          photo={figure.photo}
          keep={{
            label: 'Write it down',
            put: (words) => {
              onTold(words);
              choose(undefined);
            },
          }}
        />
      )}
    </Stack>
  );
}
