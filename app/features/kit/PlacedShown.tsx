import { useState } from 'react';
import { Bar } from '../../ui/Bar';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { Column, Columns } from '../../ui/Columns';
import { Option, Options } from '../../ui/Options';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

const SHAPES = ['round', 'keeled', 'toothed'];

/** What stands where: columns, lines and tiles with an edge and a ground, bars. */
export function PlacedShown() {
  const [shape, setShape] = useState('keeled');
  const [pressed, setPressed] = useState(0);
  return (
    <Columns>
      <Column times={2}>
        <Card title="Rows and boxes">
          {[0.86, 0.13, 0.001].map((part) => (
            <Row key={part} align="center" ruled="above" padTop="xs" oneLine>
              <Text size="small" fill>
                P. murica
              </Text>
              <Bar part={part} fill />
              <Text size="small" figures set="right" least={72}>
                {`${Math.round(part * 100)} in 100`}
              </Text>
            </Row>
          ))}
          <Row>
            <Box pad="s" ruled="round" ruledIn="for" thick dashed round="s">
              <Text size="small">open</Text>
            </Box>
            <Box pad="s" tone="kelpWash" round="m">
              <Text size="small">a ground</Text>
            </Box>
          </Row>
        </Card>
      </Column>
      <Column>
        <Card title="Pressed and chosen">
          <PressBox
            role="button"
            sinks
            touch
            justify="center"
            padX="m"
            ruled="round"
            ruledIn="hairline"
            round="m"
            onPress={() => setPressed(pressed + 1)}
          >
            <Text size="small">{`Pressed ${pressed} times`}</Text>
          </PressBox>
          <Options label="Shape" across gap="s">
            {SHAPES.map((one) => (
              <Option
                key={one}
                framed
                on={one === shape}
                label={one}
                onPress={() => setShape(one)}
                touch
                justify="center"
                padX="m"
                round="m"
              >
                <Text size="small" strong={one === shape}>
                  {one}
                </Text>
              </Option>
            ))}
          </Options>
        </Card>
      </Column>
    </Columns>
  );
}
