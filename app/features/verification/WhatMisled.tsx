import type { Guide } from '@plesion/core/guide';
import { sayReading } from '@plesion/core/observation';
import type { Judged } from '@plesion/core/verification';
import { colour } from '../../theme';
import { Disclosure } from '../../ui/Disclosure';
import { Stack } from '../../ui/Stack';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { Typeset } from '../../ui/Typeset';
import { namedParts, phrase } from '../records/namedParts';

/** Of a call that was overturned: what it was called, what misled, what told in the end, and each reading's bits. */
export function WhatMisled({ guide, judged }: { guide: Guide; judged: Judged }) {
  const { called, by, p, margin, marks, misled, told } = judged;
  return (
    <Stack padY="s">
      <Typeset
        strong
        color={colour.hazard}
        parts={phrase('It was called ', namedParts(guide, called), `, by ${by}, at ${Math.round(100 * p)} in 100.`)}
      />
      {misled && <Text>{`What misled: ${misled}`}</Text>}
      {told && <Text>{told.read ? `What told in the end: ${told.text}` : `What would have told: ${told.text}`}</Text>}
      {marks.length > 0 && (
        <Disclosure title="What each reading was worth">
          <Table
            label="Readings when the name was given"
            columns={['Reading', 'Bits for what it was']}
            rows={marks.map(({ reading, bits }) => [sayMark(guide, reading), sayBits(bits)])}
          />
          <Text size="small" quiet>
            {margin > 0
              ? `With map, date and how often each is met, ${margin.toFixed(1)} bits stood for what it was called.`
              : `With map, date and how often each is met, ${(-margin).toFixed(1)} bits stood for what it was all the same.`}
          </Text>
        </Disclosure>
      )}
    </Stack>
  );
}

function sayMark({ characters }: Guide, reading: Judged['marks'][number]['reading']): string {
  const character = characters.find(({ id }) => id === reading.character);
  return character ? `${character.label}: ${sayReading(character, reading)}` : reading.character;
}

const sayBits = (bits: number): string => `${bits > 0 ? '+' : bits < 0 ? '−' : ''}${Math.abs(bits).toFixed(1)}`;
