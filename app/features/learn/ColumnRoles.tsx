import { type Column, LABELS, type Role } from '@plesion/core/learn';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

const ROLES: { id: Role; label: string }[] = [
  { id: 'character', label: 'as guessed' },
  { id: 'measurement', label: 'measured' },
  { id: 'count', label: 'counted' },
  { id: 'nominal', label: 'in words' },
  { id: 'taxon', label: 'taxon' },
  { id: 'sex', label: 'sex' },
  { id: 'stage', label: 'stage' },
  { id: 'morph', label: 'morph' },
  { id: 'ignore', label: 'leave out' },
];

const KINDS = { measurement: 'measured', count: 'counted', nominal: 'in words' } as const;

interface ColumnRolesProps {
  roles: readonly { name: string; role: Role }[];
  columns: readonly Column[];
  onChange: (roles: { name: string; role: Role }[]) => void;
}

/** What each column is: a label of the specimen, a character, or nothing. A label is given once. */
export function ColumnRoles({ roles, columns, onChange }: ColumnRolesProps) {
  const set = (name: string, role: Role) =>
    onChange(
      roles.map((one) => {
        if (one.name === name) return { name, role };
        const moved = one.role === role && LABELS.some((label) => label === role);
        return moved ? { ...one, role: 'character' } : one;
      }),
    );
  return (
    <Card title="Its columns" aside={`${roles.length}`}>
      {roles.map(({ name, role }) => {
        const column = columns.find((one) => one.name === name);
        return (
          <Row key={name} padTop="s" ruled="above">
            <Box wide={170}>
              <Text size="small" strong>
                {name || '(no name)'}
              </Text>
              {column && (
                <Text size="small" quiet color={column.leftOut ? colour.hazard : undefined}>
                  {column.leftOut
                    ? `left out: ${column.leftOut}`
                    : `${KINDS[column.kind]}${column.missing ? `, ${column.missing} missing` : ''}`}
                </Text>
              )}
            </Box>
            <Box fill least={260}>
              <ChoiceGroup
                label={`${name} is`}
                hideLabel
                options={ROLES}
                chosen={[role]}
                onChange={([next]) => set(name, next)}
              />
            </Box>
          </Row>
        );
      })}
    </Card>
  );
}
