import { useState } from 'react';
import { device } from '../../lib/device';
import { colour } from '../../theme';
import { setAppearance, useAppearance } from '../../theme/appearance';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChartFrame } from '../../ui/ChartFrame';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Dialog } from '../../ui/Dialog';
import { Disclosure } from '../../ui/Disclosure';
import { Reckoned } from '../../ui/Reckoned';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Empty, Failed, Loading } from '../../ui/states';
import { Table } from '../../ui/Table';
import { Tabs } from '../../ui/Tabs';
import { Text } from '../../ui/Text';
import { useToast } from '../../ui/Toast';
import { TextField } from '../../ui/TextField';
import { WorkProgress } from '../../ui/WorkProgress';
import { WrittenName } from '../../ui/WrittenName';
import { NotFound } from '../shell/NotFound';
import { FormShown } from './FormShown';
import { PlacedShown } from './PlacedShown';

/** Shown while developing, and where this device was told to. */
const shown = __DEV__ || device.read('plesion.kit') === 'on';

const LIGHTS = ['day', 'lamp'] as const;
const LETTERS = ['usual', 'large', 'larger', 'twice'] as const;
const option = <T extends string>(id: T) => ({ id, label: id });
const nothing = () => undefined;

const ISLANDS = ['Quell', 'Skerry', 'Borea', 'Dunmarrow', 'Vask', 'Tolmar', 'Selwith', 'Gannet Steps', 'Mill Ditch'];
const COASTS = ['north shore', 'south shore'];
const PLACES = ISLANDS.flatMap((island) => COASTS.map((coast) => ({ id: `${island} ${coast}`, label: `${island}, ${coast}` })));

/** Every part of the kit, in the light and with the letters chosen above: to look at, and for the machine to go over. */
export function KitScreen() {
  return shown ? <Kit /> : <NotFound />;
}

function Kit() {
  const { light, letters } = useAppearance();
  return (
    <Screen>
      <PageHeading>The kit of parts</PageHeading>
      <ChoiceGroup
        label="Light"
        options={LIGHTS.map(option)}
        chosen={light === 'device' ? [] : [light]}
        onChange={([next]) => setAppearance({ light: next })}
      />
      <ChoiceGroup
        label="Letters"
        options={LETTERS.map(option)}
        chosen={[letters]}
        onChange={([next]) => setAppearance({ letters: next })}
      />
      <Words />
      <Placed />
      <Pressed />
      <Parted />
      <Chosen />
      <FormShown />
      <PlacedShown />
      <Said />
      <Counted />
    </Screen>
  );
}

const Words = () => (
  <Card title="Words">
    <Text size="display">Display</Text>
    <Text size="title">Title</Text>
    <Text size="lead">Lead</Text>
    <Text>Body, with enough of it to see how a line ends and the next begins on a small screen.</Text>
    <Text size="small" quiet>
      Small and quiet
    </Text>
    <WrittenName name="Halistris sodalis subsp. borealis" />
  </Card>
);

const Placed = () => (
  <Card title="Placed">
    <Row justify="between" align="center">
      <Text strong>At the beginning of a row</Text>
      <Text quiet>At its end, or below where there is no room</Text>
    </Row>
    <Stack gap="hair">
      <Text>A line</Text>
      <Text quiet>and what belongs to it</Text>
    </Stack>
  </Card>
);

function Pressed() {
  const [open, setOpen] = useState(false);
  return (
    <Card title="Pressed">
      <Row>
        <Button kind="main" label="Main" onPress={nothing} />
        <Button label="Plain" onPress={nothing} />
        <Button kind="quiet" label="Quiet" onPress={nothing} />
        <Button label="Busy" busy onPress={nothing} />
        <Button label="Off" disabled onPress={nothing} />
      </Row>
      <LinkBox href="/" justify="center">
        <Text color={colour.kelp}>A link that is a link</Text>
      </LinkBox>
      <Reckoned says="All that were counted, less those that were not.">
        <Text strong>42 left</Text>
      </Reckoned>
      <Disclosure title="More of it">
        <Text>What was folded.</Text>
      </Disclosure>
      <Button label="Open a dialog" onPress={() => setOpen(true)} />
      {open && (
        <Dialog
          title="A dialog"
          onClose={() => setOpen(false)}
          foot={<Button kind="main" label="Done" onPress={() => setOpen(false)} />}
        >
          <TextField label="In the dialog" value="" onChangeText={nothing} />
        </Dialog>
      )}
    </Card>
  );
}

function Parted() {
  const [tab, setTab] = useState('level');
  return (
    <Card title="Parts of a page">
      <Tabs label="Tabs" tabs={['beyond', 'level', 'short'].map(option)} chosen={tab} onChange={setTab}>
        <Text>{`What ${tab} shows.`}</Text>
      </Tabs>
    </Card>
  );
}

function Chosen() {
  const [one, setOne] = useState('level');
  const [some, setSome] = useState<string[]>([]);
  const [place, setPlace] = useState<string>();
  const [text, setText] = useState('');
  return (
    <Card title="Chosen and typed">
      <ChoiceGroup
        label="One"
        options={['beyond', 'level', 'short'].map(option)}
        chosen={[one]}
        onChange={([id]) => setOne(id)}
      />
      <ChoiceGroup label="Several" many options={['egg', 'young', 'adult'].map(option)} chosen={some} onChange={setSome} />
      <Picker label="Place" items={PLACES} chosen={place} onChange={setPlace} onClear={() => setPlace(undefined)} />
      <TextField label="A field" value={text} onChangeText={setText} hint="What is wanted" placeholder="such as this" />
      <TextField label="A field that is wrong" value="12 May" problem="Write it as 2026-05-12." onChangeText={nothing} />
    </Card>
  );
}

const Said = () => {
  const toast = useToast();
  return (
    <Card title="Said">
      <Button label="Remove something" onPress={() => toast({ text: 'Removed: something', undo: nothing })} />
      <Notice kind="note" title="A note">
        Something to know.
      </Notice>
      <Notice kind="caution" title="Take care">
        Something to mind.
      </Notice>
      <Notice kind="problem" title="A problem">
        Something to mend.
      </Notice>
      <Failed error={new Error('for the kit')} retry={nothing} />
      <Loading what="Something" />
      <Empty title="Nothing yet">What to do next.</Empty>
      <WorkProgress what="Working" share={0.4} onCancel={nothing} />
    </Card>
  );
};

const Counted = () => (
  <Card title="Counted">
    <Table
      label="Wings"
      columns={['Form', 'Wing, mm', 'n']}
      rows={[
        ['H. sodalis', '268', '12'],
        ['H. consors', '251', '9'],
      ]}
    />
    <ChartFrame
      says="Of ten called at 90 in 100, nine were right"
      axes="right against said, in 100"
      n={10}
      columns={['Said', 'Right']}
      rows={[['90', '90']]}
    >
      <Box tall={60} tone="forTint" />
    </ChartFrame>
  </Card>
);
