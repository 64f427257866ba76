import type { Guide } from '@plesion/core/guide';
import {
  addCouplet,
  addLead,
  type Couplet,
  insertBefore,
  type Key,
  type Lead,
  mergeCouplet,
  moveCouplet,
  moveLead,
  nextOf,
  printStatements,
  removeCouplet,
  removeLead,
  setRemark,
  setWords,
  splitCouplet,
} from '@plesion/core/keys';
import { useState } from 'react';
import { colour } from '../../../theme';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/TextField';
import { Card } from '../../../ui/Card';
import { Row } from '../../../ui/Row';
import { Stack } from '../../../ui/Stack';
import { Text } from '../../../ui/Text';
import { DestinationEditor } from './DestinationEditor';
import { LinkEditor } from './LinkEditor';

interface CoupletEditorProps {
  keyed: Key;
  couplet: Couplet;
  guide?: Guide;
  onChange: (change: (key: Key) => Key) => void;
  onGo: (couplet: string) => void;
}

/** One couplet with its leads: words, ties, where they go; and what can be done with it as a whole. */
export function CoupletEditor({ keyed, couplet, guide, onChange, onGo }: CoupletEditorProps) {
  const { id, number } = couplet;
  const withNew = (make: (key: Key) => { key: Key; couplet: string }) => {
    const made = make(keyed);
    onChange(() => made.key);
    onGo(made.couplet);
  };
  return (
    <Card title={`Couplet ${number}`} aside={id === keyed.start ? 'the key starts here' : undefined}>
      {couplet.leads.map((lead, i) => (
        <LeadEditor
          key={lead.id}
          keyed={keyed}
          couplet={couplet}
          lead={lead}
          place={i}
          guide={guide}
          onChange={onChange}
          onGo={onGo}
          onNew={() => withNew((key) => addCouplet(key, id, lead.id))}
        />
      ))}
      <Row gap="xs">
        <Button small label="Add a lead" onPress={() => onChange((key) => addLead(key, id))} />
        <Button small label="Insert a couplet before" onPress={() => withNew((key) => insertBefore(key, id))} />
        <Button
          small
          kind="quiet"
          label="Up"
          hint={`Print couplet ${number} earlier`}
          onPress={() => onChange((key) => moveCouplet(key, id, -1))}
        />
        <Button
          small
          kind="quiet"
          label="Down"
          hint={`Print couplet ${number} later`}
          onPress={() => onChange((key) => moveCouplet(key, id, 1))}
        />
        {id !== keyed.start && (
          <Button small kind="quiet" label="Start the key here" onPress={() => onChange((key) => ({ ...key, start: id }))} />
        )}
        {keyed.couplets.length > 1 && (
          <Button
            small
            kind="quiet"
            label="Remove"
            hint={`Remove couplet ${number}`}
            onPress={() => onChange((key) => removeCouplet(key, id))}
          />
        )}
      </Row>
      <TextField
        label="Before you look: how to prepare or turn it"
        value={couplet.prepare ?? ''}
        maxLength={4000}
        multiline
        onChangeText={(text) => onChange((key) => setRemark(key, id, 'prepare', text))}
      />
      <TextField
        label="Note"
        value={couplet.note ?? ''}
        maxLength={4000}
        multiline
        onChangeText={(text) => onChange((key) => setRemark(key, id, 'note', text))}
      />
    </Card>
  );
}

interface LeadEditorProps extends CoupletEditorProps {
  lead: Lead;
  place: number;
  onNew: () => void;
}

function LeadEditor({ keyed, couplet, lead, place, guide, onChange, onGo, onNew }: LeadEditorProps) {
  const { id, number, leads } = couplet;
  const [tying, setTying] = useState<number>();
  const next = nextOf(keyed, lead);
  return (
    <Stack padTop="m" ruled="above" ruledIn="hairline">
      <Row gap="xs" align="center">
        <Text strong color={colour.kelp} size="lead" fill>{`${number}${lead.id}`}</Text>
        {place > 0 && (
          <Button
            small
            kind="quiet"
            label="Up"
            hint={`Move lead ${number}${lead.id} up`}
            onPress={() => onChange((key) => moveLead(key, id, lead.id, -1))}
          />
        )}
        {leads.length > 2 && place > 0 && leads.length - place >= 2 && (
          <Button
            small
            kind="quiet"
            label="Split from here"
            hint={`Split the couplet before ${number}${lead.id}`}
            onPress={() => onChange((key) => splitCouplet(key, id, lead.id))}
          />
        )}
        {leads.length > 1 && (
          <Button
            small
            kind="quiet"
            label="Remove"
            hint={`Remove lead ${number}${lead.id}`}
            onPress={() => onChange((key) => removeLead(key, id, lead.id))}
          />
        )}
      </Row>
      <LeadWords
        key={printStatements(lead.statements)}
        lead={lead}
        number={number}
        onWords={(words) => onChange((key) => setWords(key, id, lead.id, words))}
      />
      {lead.statements.map((statement) => (
        <LinkEditor
          key={statement.n}
          keyed={keyed}
          couplet={id}
          statement={statement}
          guide={guide}
          open={tying === statement.n}
          onOpen={() => setTying(tying === statement.n ? undefined : statement.n)}
          onChange={onChange}
        />
      ))}
      <DestinationEditor keyed={keyed} couplet={id} lead={lead} guide={guide} onChange={onChange} onNew={onNew} />
      <Row gap="xs">
        {next && <Button small kind="quiet" label={`Go to couplet ${next.number}`} onPress={() => onGo(next.id)} />}
        {next && (
          <Button
            small
            kind="quiet"
            label={`Take couplet ${next.number} in here`}
            onPress={() => onChange((key) => mergeCouplet(key, id, lead.id))}
          />
        )}
      </Row>
    </Stack>
  );
}

/** The words of a lead; they are parted into statements when the field is left. */
function LeadWords({ lead, number, onWords }: { lead: Lead; number: string; onWords: (words: string) => void }) {
  const before = printStatements(lead.statements);
  const [words, setWordsHere] = useState(before);
  return (
    <TextField
      label={`Statements of ${number}${lead.id}`}
      value={words}
      multiline
      maxLength={4000}
      onChangeText={setWordsHere}
      onBlur={() => words !== before && onWords(words)}
      hint="Part statements with semicolons; “or”, “except” and “usually” are understood."
    />
  );
}
