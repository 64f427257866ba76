import { useState } from 'react';
import { numberOf } from '../../lib/numberOf';
import { omit } from '../../lib/omit';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import type { HeredityProps } from './HeredityPart';
import { labelIn, type SeenBy } from './inheritedWords';

const DAYS = {
  incubation: 'From laying to hatching',
  breedsFrom: 'From hatching until it breeds',
  weighEvery: 'From one weighing to the next',
} as const;

/** After how many days what is due. */
export function BreedingDays({ section, seen, put }: HeredityProps & { seen: readonly SeenBy[] }) {
  const told = ['sex', ...section.characters.map(({ id }) => id)];
  return (
    <Card title="After how many days">
      <Text quiet>By these the book says what is to be done: due to hatch, old enough to tell, to separate, to weigh.</Text>
      <Row gap="m">
        {(Object.keys(DAYS) as (keyof typeof DAYS)[]).map((one) => (
          <DaysField
            key={one}
            label={DAYS[one]}
            value={section[one]}
            onChange={(days) => put(days === undefined ? omit(section, one) : { ...section, [one]: days })}
          />
        ))}
        {told.map((id) => (
          <DaysField
            key={id}
            label={`From hatching until it is told: ${id === 'sex' ? 'sex' : labelIn(seen, id)}`}
            value={section.toldFrom?.[id]}
            onChange={(days) => {
              const rest = omit(section.toldFrom ?? {}, id);
              const toldFrom = days === undefined ? rest : { ...rest, [id]: days };
              put({ ...omit(section, 'toldFrom'), ...(Object.keys(toldFrom).length ? { toldFrom } : {}) });
            }}
          />
        ))}
      </Row>
    </Card>
  );
}

interface DaysProps {
  label: string;
  value?: number;
  onChange: (days: number | undefined) => void;
}

function DaysField({ label, value, onChange }: DaysProps) {
  const [problem, setProblem] = useState<string>();
  return (
    <Box fill={220} most={360}>
      <CommitField
        label={label}
        value={value === undefined ? '' : String(value)}
        inputMode="numeric"
        problem={problem}
        onCommit={(text) => {
          const days = text.trim() ? numberOf(text) : undefined;
          const right = !text.trim() || (days !== undefined && Number.isInteger(days) && days >= 1 && days <= 3650);
          setProblem(right ? undefined : 'Write whole days, from 1 to 3650.');
          if (right) onChange(days);
        }}
      />
    </Box>
  );
}
