import type { KeyGuideView } from '@plesion/contract/authoring';
import type { ContrastTold, KeyCharacterTold } from '@plesion/core/authoring';
import { useState } from 'react';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { SameStates } from './SameStates';

const KINDS: Record<string, string> = {
  nominal: 'states',
  ordered: 'stretches of a number',
  measurement: 'measured',
  ratio: 'a proportion',
  count: 'counted',
};
/** So many are put up at first: a long key has hundreds. */
const SHOWN = 40;

interface Props {
  view: KeyGuideView;
  /** Of the keys, where there are several. */
  titles?: readonly string[];
  labels: Readonly<Record<string, string>>;
  onPart: (contrast: string) => void;
  /** Of the character that has the contrast, one state is another word for the other. */
  onSame: (contrast: string, from: string, to: string) => void;
  onLabel: (contrast: string, label: string) => void;
}

/** The characters that are made, each with the texts that it came from; what is not one is parted. */
export function Characters({ view: { characters }, ...rest }: Props) {
  const [shown, setShown] = useState(SHOWN);
  return (
    <>
      {characters.slice(0, shown).map((one) => (
        <CharacterCard key={one.contrasts[0].id} one={one} {...rest} />
      ))}
      {characters.length > shown && (
        <Button label={`${characters.length - shown} more characters`} onPress={() => setShown(shown + 200)} />
      )}
    </>
  );
}

function CharacterCard({ one, titles, labels, onPart, onSame, onLabel }: { one: KeyCharacterTold } & Omit<Props, 'view'>) {
  const [naming, setNaming] = useState(false);
  const [first] = one.contrasts;
  return (
    <Card title={one.label} aside={one.oneSided ? 'said of one side only' : (KINDS[one.kind] ?? one.kind)}>
      {one.contrasts.map((contrast, i) => (
        <Row key={contrast.id} padY="s" ruled="above">
          <Stack fill={220}>
            {titles && (
              <Text size="small" quiet>
                {titles[contrast.key]}
              </Text>
            )}
            {contrast.sides.map((side) => (
              <Told key={side.lead} couplet={contrast.couplet} side={side} />
            ))}
          </Stack>
          {i > 0 && (
            <Button
              small
              kind="quiet"
              label="Part"
              hint={`Part couplet ${contrast.couplet} from ${one.label}`}
              onPress={() => onPart(contrast.id)}
            />
          )}
        </Row>
      ))}
      {/* Two states alone are what tells the character. */}
      {one.states && one.states.length > 2 && (
        <SameStates of={one.label} states={one.states} onSame={(from, to) => onSame(first.id, from, to)} />
      )}
      {naming ? (
        <TextField
          label={`Call ${one.label}`}
          value={labels[first.id] ?? one.label}
          maxLength={200}
          onChangeText={(label) => onLabel(first.id, label)}
        />
      ) : (
        <Row>
          <Button
            small
            kind="quiet"
            label="Call it otherwise"
            hint={`Call it otherwise: ${one.label}`}
            onPress={() => setNaming(true)}
          />
        </Row>
      )}
    </Card>
  );
}

const Told = ({ couplet, side: { lead, text, means } }: { couplet: string; side: ContrastTold['sides'][number] }) => (
  <Row oneLine>
    <Text size="small" strong figures least={34}>{`${couplet}${lead}`}</Text>
    <Box fill>
      <Text strong>{means}</Text>
      {text !== means && (
        <Text size="small" quiet>
          {text}
        </Text>
      )}
    </Box>
  </Row>
);
