import { RequestProblem } from '@plesion/contract';
import { ledgeCrabs } from '@plesion/demo';
import { onlineManager } from '@tanstack/react-query';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { StyleSheet, type ViewStyle } from 'react-native';
import { Button } from './Button';
import { ChoiceGroup } from './ChoiceGroup';
import { TextField } from './TextField';
import { Notice } from './Notice';
import { AsyncScreen } from './AsyncScreen';
import { Card } from './Card';
import { Row } from './Row';
import { Stack } from './Stack';
import { Empty, Failed, Loading } from './states';
import { TaxonName } from './TaxonName';
import { Tabs } from './Tabs';
import { Text } from './Text';
import { ToastPlace, useToast } from './Toast';

const options = [
  { id: 'hand', label: 'in the hand' },
  { id: 'near', label: 'a few paces' },
  { id: 'far', label: 'far off' },
] as const;

describe('what is placed', () => {
  it('stands side by side, goes on below where it has no room, and otherwise only where it is told to', () => {
    render(
      <>
        <Row testID="usual" />
        <Row testID="told" gap="xl" align="end" justify="between" oneLine style={{ padding: 3 }} />
        <Row testID="again" />
      </>,
    );
    const style = (id: string) => StyleSheet.flatten(screen.getByTestId(id).props.style as ViewStyle);
    expect(style('usual')).toEqual({ flexDirection: 'row', flexWrap: 'wrap', gap: 8 });
    expect(style('told')).toEqual({
      ...{ flexDirection: 'row', flexWrap: 'nowrap', gap: 24, alignItems: 'flex-end', justifyContent: 'space-between' },
      padding: 3,
    });
    expect(style('again')).toEqual(style('usual'));
  });

  it('stands one below the other, as far apart as told', () => {
    render(<Stack testID="stack" gap="hair" style={{ flex: 1 }} />);
    expect(screen.getByTestId('stack')).toHaveStyle({ gap: 2, flex: 1 });
  });
});

describe('parts of a page', () => {
  it('show one at a time, which names what it shows', () => {
    const onChange = jest.fn();
    const page = (chosen: 'hand' | 'far', children: string) => (
      <Tabs label="How near" tabs={options} chosen={chosen} onChange={onChange}>
        <Text>{children}</Text>
      </Tabs>
    );
    const { rerender } = render(page('hand', 'What is in the hand.'));
    const tab = (name: string) => screen.getByRole('tab', { name });
    expect(tab('in the hand')).toBeSelected();
    expect(tab('far off')).not.toBeSelected();
    fireEvent.press(tab('far off'));
    expect(onChange).toHaveBeenCalledWith('far');
    rerender(page('far', 'What is far off.'));
    expect(tab('far off')).toBeSelected();
    expect(tab('in the hand')).not.toBeSelected();
    expect(screen.getByText('What is far off.')).toBeOnTheScreen();
  });
});

describe('a choice', () => {
  it('of one replaces the one before', () => {
    const onChange = jest.fn();
    render(<ChoiceGroup label="How near" options={options} chosen={['hand']} onChange={onChange} />);
    expect(screen.getByLabelText('in the hand')).toBeChecked();
    fireEvent.press(screen.getByLabelText('far off'));
    expect(onChange).toHaveBeenCalledWith(['far']);
  });

  it('of one cannot be emptied unless that is allowed', () => {
    const onChange = jest.fn();
    const { rerender } = render(<ChoiceGroup label="How near" options={options} chosen={['hand']} onChange={onChange} />);
    fireEvent.press(screen.getByLabelText('in the hand'));
    expect(onChange).toHaveBeenLastCalledWith(['hand']);
    rerender(<ChoiceGroup label="How near" options={options} chosen={['hand']} onChange={onChange} clearable />);
    fireEvent.press(screen.getByLabelText('in the hand'));
    expect(onChange).toHaveBeenLastCalledWith([]);
  });

  it('of many adds and takes away', () => {
    const onChange = jest.fn();
    render(<ChoiceGroup label="Views" many options={options} chosen={['hand', 'far']} onChange={onChange} />);
    fireEvent.press(screen.getByLabelText('a few paces'));
    expect(onChange).toHaveBeenLastCalledWith(['hand', 'far', 'near']);
    fireEvent.press(screen.getByLabelText('far off'));
    expect(onChange).toHaveBeenLastCalledWith(['hand']);
  });

  it('names its group for screen readers, shown or not', () => {
    const { rerender } = render(<ChoiceGroup label="How near" options={options} chosen={[]} onChange={jest.fn()} />);
    expect(screen.getByText('How near')).toBeTruthy();
    rerender(<ChoiceGroup label="How near" hideLabel options={options} chosen={[]} onChange={jest.fn()} />);
    expect(screen.queryByText('How near')).toBeNull();
    expect(screen.getByLabelText('How near')).toBeTruthy();
  });
});

describe('a text field', () => {
  it('shows a hint until something is wrong, and then what is wrong', () => {
    const { rerender } = render(<TextField label="Date" value="" onChangeText={jest.fn()} hint="As 2026-05-12." />);
    expect(screen.getByText('As 2026-05-12.')).toBeTruthy();
    rerender(<TextField label="Date" value="May" onChangeText={jest.fn()} hint="As 2026-05-12." problem="This is not a date." />);
    expect(screen.queryByText('As 2026-05-12.')).toBeNull();
    expect(screen.getByRole('alert')).toHaveTextContent('This is not a date.');
  });

  it('passes on what is typed and shows its unit', () => {
    const onChangeText = jest.fn();
    render(<TextField label="Width" value="28" unit="mm" onChangeText={onChangeText} />);
    fireEvent.changeText(screen.getByLabelText('Width'), '28.4');
    expect(onChangeText).toHaveBeenCalledWith('28.4');
    expect(screen.getByText('mm')).toBeTruthy();
  });
});

describe('a button', () => {
  it('is pressed once it may be', () => {
    const onPress = jest.fn();
    const { rerender } = render(<Button label="Write down" onPress={onPress} disabled />);
    fireEvent.press(screen.getByLabelText('Write down'));
    expect(onPress).not.toHaveBeenCalled();
    rerender(<Button label="Write down" onPress={onPress} busy />);
    fireEvent.press(screen.getByLabelText('Write down'));
    expect(onPress).not.toHaveBeenCalled();
    rerender(<Button label="Write down" onPress={onPress} />);
    fireEvent.press(screen.getByLabelText('Write down'));
    expect(onPress).toHaveBeenCalledTimes(1);
  });

  it('says more to a screen reader where its label is short', () => {
    render(<Button label="Clear" hint="Clear the front edge" onPress={jest.fn()} />);
    expect(screen.getByLabelText('Clear the front edge')).toHaveTextContent('Clear');
  });
});

describe('names', () => {
  const italicOf = (text: string) => {
    const style = screen.getByText(text).props.style as { fontFamily: string };
    return style.fontFamily === 'Spectral-italic';
  };

  it('lean, and qualifiers stand upright', () => {
    render(<TaxonName guide={ledgeCrabs} taxon="murica" qualifier="cf." />);
    expect([italicOf('Petralda'), italicOf(' cf. '), italicOf('murica')]).toEqual([true, false, true]);
  });

  it('are shortened where there is little room', () => {
    render(<TaxonName guide={ledgeCrabs} taxon="cinerata" other="murica" qualifier="or" short />);
    expect(screen.getByText('P. cinerata')).toBeTruthy();
    expect(screen.getByText('P. murica')).toBeTruthy();
  });

  it('that are missing are said so', () => {
    render(<TaxonName guide={ledgeCrabs} qualifier="outside" />);
    expect(screen.getByText('Not in this guide')).toBeTruthy();
  });
});

describe('sheets, notices and states', () => {
  it('a titled sheet is a region with a heading and something beside it', () => {
    render(
      <Card title="Readings" aside="3 read">
        <Text>inside</Text>
      </Card>,
    );
    expect(screen.getByLabelText('Readings')).toBeTruthy();
    expect(screen.getByRole('heading')).toHaveTextContent('Readings');
    expect(screen.getByText('3 read')).toBeTruthy();
    expect(screen.getByText('inside')).toBeTruthy();
  });

  it('a problem is an alert, a caution is not', () => {
    const { rerender } = render(<Notice kind="problem">It failed.</Notice>);
    expect(screen.root.props.role).toBe('alert');
    expect(screen.getByText('It failed.')).toBeTruthy();
    rerender(
      <Notice kind="caution" title="Take care">
        It pinches.
      </Notice>,
    );
    expect(screen.root.props.role).toBe('note');
    expect(screen.getByText('Take care')).toBeTruthy();
  });

  it('tells no connection from a refusal, and offers to try again', () => {
    const retry = jest.fn();
    const offline = new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' });
    const { rerender } = render(<Failed error={offline} retry={retry} />);
    expect(screen.getByText('No connection')).toBeTruthy();
    expect(screen.getByText(/kept on this device/)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Try again'));
    expect(retry).toHaveBeenCalledTimes(1);
    const gone = new RequestProblem(404, { code: 'not-found', message: 'There is no such specimen.' });
    rerender(<Failed error={gone} retry={retry} />);
    expect(screen.getByText('That did not work')).toBeTruthy();
    expect(screen.getByText('There is no such specimen.')).toBeTruthy();
    // To ask for it again would change nothing.
    expect(screen.queryByLabelText('Try again')).toBeNull();
    rerender(<Failed error={new Error('inner workings')} />);
    expect(screen.queryByText('inner workings')).toBeNull();
  });

  it('a page that cannot be opened is headed by what it would be', () => {
    const error = new RequestProblem(503, { code: 'busy', message: 'The database cannot be reached.' });
    render(
      <AsyncScreen what="The specimen" value={undefined} error={error}>
        {() => <Text>inside</Text>}
      </AsyncScreen>,
    );
    expect(screen.getByRole('heading')).toHaveTextContent('The specimen');
    expect(screen.getByText('The database cannot be reached.')).toBeTruthy();
    expect(screen.queryByText('inside')).toBeNull();
  });

  it('what can be undone is said until it is undone, put away, or one goes elsewhere', () => {
    const undo = jest.fn();
    const Remover = () => {
      const toast = useToast();
      return <Button label="Remove" onPress={() => toast({ text: 'Removed: a lot', undo })} />;
    };
    const at = (page: string) => (
      <ToastPlace page={page}>
        <Remover />
      </ToastPlace>
    );
    const { rerender } = render(at('/lots'));
    fireEvent.press(screen.getByText('Remove'));
    fireEvent.press(screen.getByLabelText('Undo: Removed: a lot'));
    expect(undo).toHaveBeenCalledTimes(1);
    expect(screen.queryByText('Removed: a lot')).toBeNull();
    fireEvent.press(screen.getByText('Remove'));
    fireEvent.press(screen.getByText('Close'));
    expect(screen.queryByText('Removed: a lot')).toBeNull();
    fireEvent.press(screen.getByText('Remove'));
    rerender(at('/guides'));
    expect(screen.queryByText('Removed: a lot')).toBeNull();
    expect(undo).toHaveBeenCalledTimes(1);
  });

  it('an empty place says what to do next', () => {
    const go = jest.fn();
    render(
      <Empty title="An empty daybook" action={<Button label="Begin" onPress={go} />}>
        Say where you are.
      </Empty>,
    );
    fireEvent.press(screen.getByLabelText('Begin'));
    expect(go).toHaveBeenCalled();
    expect(screen.getByText('Say where you are.')).toBeTruthy();
  });

  it('what is being fetched is named', () => {
    render(<Loading what="The guide" />);
    expect(screen.getByLabelText('The guide is being fetched')).toBeTruthy();
    expect(screen.queryByText(/for a connection/)).toBeNull();
    act(() => onlineManager.setOnline(false));
    expect(screen.getByText(/^Waiting for a connection/)).toBeTruthy();
    act(() => onlineManager.setOnline(true));
    expect(screen.queryByText(/for a connection/)).toBeNull();
  });
});
