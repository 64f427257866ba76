import type { Guide } from '@plesion/core/guide';
import { onlyQuantity, type Statement } from '@plesion/core/keys';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { colour } from '../../theme/index';
import { Box } from '../../ui/Box';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TextField } from '../../ui/TextField';
import { Text } from '../../ui/Text';
import { StateTiles } from '../reading/StateTiles';
import { ValueEntry } from '../reading/ValueEntry';
import { measuring } from './answering';
import type { OpenWalk } from './useWalk';

interface MeasureProps {
  bench: OpenWalk;
  couplet: string;
  statement: Statement;
  guide?: Guide;
  specimen?: string;
}

/** A number for a statement: a reading of the specimen where the statement is tied, else a value of the walk alone. */
export function MeasureStatement({ bench, couplet, statement, guide, specimen }: MeasureProps) {
  const character = guide?.characters.find(({ id }) => id === statement.link?.character);
  const at = bench.specimens.find(({ id }) => id === specimen) ?? bench.specimens[0];
  if (!character || !at) return <LooseValue bench={bench} couplet={couplet} statement={statement} specimen={specimen} />;
  const reading = at.state.content.readings.findLast((one) => one.character === character.id);
  const id = reading?.id ?? mintId();
  if (character.kind === 'count') {
    return (
      <StateTiles
        guide={guide!}
        character={character}
        reading={reading}
        onStates={() => undefined}
        onCount={(value) => bench.read(at.id, { id, character: character.id, value })}
        onUnseen={() => bench.read(at.id, { id, character: character.id, status: 'not-visible' })}
      />
    );
  }
  return (
    <Stack>
      {character.protocol && (
        <LinkBox href={`/specimens/${at.id}/measure?character=${character.id}`} justify="center" self="start">
          <Text strong color={colour.kelp}>
            Measure it on a photo
          </Text>
        </LinkBox>
      )}
      <ValueEntry
        key={character.id}
        character={character}
        reading={reading}
        onGive={(given) => given && bench.read(at.id, { id, character: character.id, ...given })}
      />
    </Stack>
  );
}

const numberOf = (text: string) => (/^\d*[.,]?\d+$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined);

function LooseValue({ bench, couplet, statement, specimen }: Omit<MeasureProps, 'guide'>) {
  const said = bench.kept.answers.find((answer) => answer.couplet === couplet)?.statements?.find(({ n }) => n === statement.n);
  const [texts, setTexts] = useState({ value: String(said?.value ?? ''), error: String(said?.error ?? '') });
  const quantity = onlyQuantity(statement.text);
  const give = (next: typeof texts) => {
    setTexts(next);
    const value = numberOf(next.value);
    const error = numberOf(next.error);
    bench.answer(couplet, measuring(statement.n, value, error, specimen));
  };
  const wrong = texts.value.trim() && numberOf(texts.value) === undefined ? 'Write a number, such as 5.7.' : undefined;
  return (
    <Row oneLine>
      <Box share={2}>
        <TextField
          label="measured"
          inputMode="decimal"
          unit={quantity?.unit}
          value={texts.value}
          problem={wrong}
          onChangeText={(value) => give({ ...texts, value })}
        />
      </Box>
      <Box fill>
        <TextField label="±" inputMode="decimal" value={texts.error} onChangeText={(error) => give({ ...texts, error })} />
      </Box>
      {!quantity && <Text size="small">No number was recognised in this statement.</Text>}
    </Row>
  );
}
