import type { GuideRow } from '@plesion/contract';
import { strandBeetles, terns } from '@plesion/demo';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { KindField } from './KindField';

const row = (id: string, title: string) => ({ id, title }) as GuideRow;

const NEVER: ReadonlyMap<string, number> = new Map();

it('offers what is caught most first, and any other by its code', () => {
  const change = jest.fn();
  const often = new Map([[strandBeetles.taxa.find(({ name }) => name === 'Lithonyx duplex')!.id, 3]]);
  render(<KindField guide={strandBeetles} often={often} onChange={change} />);
  const offered = screen.getAllByRole('radio').map((one) => one.props.accessibilityLabel as string);
  expect(offered).toHaveLength(6);
  fireEvent.press(screen.getByLabelText(offered[0]));
  expect(change).toHaveBeenLastCalledWith([...often.keys()][0]);
  fireEvent.press(screen.getByText('Another kind, or by its code'));
  fireEvent.changeText(screen.getByLabelText(/find one of/), 'lidu');
  expect(screen.getAllByRole('radio')).toHaveLength(2);
});

it('goes over to the kinds of another guide, where there is another', () => {
  const choose = jest.fn();
  const rows = [row('one', terns.title), row('two', strandBeetles.title)];
  const { rerender } = render(
    <KindField guide={terns} often={NEVER} onChange={jest.fn()} guides={{ rows, chosen: 'one', choose }} />,
  );
  fireEvent.press(screen.getByText('A kind of another guide'));
  fireEvent.press(screen.getByLabelText(terns.title));
  expect(choose).not.toHaveBeenCalled();
  fireEvent.press(screen.getByText('A kind of another guide'));
  fireEvent.press(screen.getByLabelText(strandBeetles.title));
  expect(choose).toHaveBeenCalledWith('two');
  rerender(
    <KindField guide={terns} often={NEVER} onChange={jest.fn()} guides={{ rows: rows.slice(0, 1), chosen: 'one', choose }} />,
  );
  expect(screen.queryByText('A kind of another guide')).toBeNull();
});
