import { fireEvent, render, screen } from '@testing-library/react-native';
import { ConditionNotes } from './ConditionNotes';

it('notes how a single one was; what is empty is not kept', () => {
  const change = jest.fn();
  const individuals = [
    { name: 'Chip', seen: false, condition: 'injured' as const, note: 'left claw gone' },
    { name: 'Rust', seen: true },
  ];
  render(<ConditionNotes individuals={individuals} onChange={change} />);
  expect(screen.getByText('1 noted')).toBeTruthy();
  expect(screen.getByText('Chip: injured, left claw gone')).toBeTruthy();
  fireEvent.press(screen.getByLabelText('Rust'));
  fireEvent.press(screen.getByLabelText('tired'));
  expect(change).toHaveBeenLastCalledWith('Rust', { condition: 'tired', note: undefined });
  fireEvent.changeText(screen.getByLabelText('Note on Rust'), 'soft shell');
  expect(change).toHaveBeenLastCalledWith('Rust', { condition: undefined, note: 'soft shell' });
  fireEvent.press(screen.getByLabelText('Chip'));
  fireEvent.changeText(screen.getByLabelText('Note on Chip'), '');
  expect(change).toHaveBeenLastCalledWith('Chip', { condition: 'injured', note: undefined });
});
