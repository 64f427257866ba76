import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { freshId } from './freshId';

interface Named {
  id: string;
  label: string;
}

interface Props<T extends Named> {
  title: string;
  hint: string;
  /** What one of them is called: `Region`. */
  one: string;
  of: readonly T[];
  /** What a new one has beside its name. */
  make: (named: Named) => T;
  onChange: (of: T[]) => void;
  onDrop: (id: string) => void;
}

/** Things that are known by their names: each changed in place, one more below. */
export function NamedList<T extends Named>({ title, hint, one, of, make, onChange, onDrop }: Props<T>) {
  return (
    <Card title={title} aside={of.length ? `${of.length}` : undefined}>
      <Text quiet>{hint}</Text>
      {of.map((named) => (
        <Row key={named.id} align="end">
          <Box fill={200}>
            <CommitField
              label={`${one}: ${named.label}`}
              value={named.label}
              maxLength={200}
              onCommit={(text) =>
                text.trim() && onChange(of.map((own) => (own === named ? { ...own, label: text.trim() } : own)))
              }
            />
          </Box>
          <Button small kind="quiet" label="Remove" hint={`Remove ${named.label}`} onPress={() => onDrop(named.id)} />
        </Row>
      ))}
      <CommitField
        label={`Another ${one.toLowerCase()}`}
        value=""
        maxLength={200}
        blurOnSubmit={false}
        onCommit={(text) => {
          const label = text.trim();
          if (label) onChange([...of, make({ id: freshId(label, of), label })]);
        }}
      />
    </Card>
  );
}
