import { useState } from 'react';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';

interface Props {
  /** Of which character. */
  of: string;
  states: readonly string[];
  onSame: (from: string, to: string) => void;
}

/** Two words of a key for one state: chosen, and called by one of them. */
export function SameStates({ of, states, onSame }: Props) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<string[]>([]);
  if (!open)
    return (
      <Row>
        <Button small kind="quiet" label="Two states are one" hint={`Two states are one: ${of}`} onPress={() => setOpen(true)} />
      </Row>
    );
  const close = () => {
    setOpen(false);
    setChosen([]);
  };
  const [one, other] = chosen;
  const call = (from: string, to: string) => {
    onSame(from, to);
    close();
  };
  return (
    <>
      <ChoiceGroup
        many
        label="Which two"
        options={states.map((label) => ({ id: label, label }))}
        chosen={chosen}
        // Of three the first gives way.
        onChange={(next) => setChosen(next.slice(-2))}
      />
      <Row>
        {other !== undefined && (
          <>
            <Button small label={`Call both “${one}”`} onPress={() => call(other, one)} />
            <Button small label={`Call both “${other}”`} onPress={() => call(one, other)} />
          </>
        )}
        <Button small kind="quiet" label="Keep both" onPress={close} />
      </Row>
    </>
  );
}
