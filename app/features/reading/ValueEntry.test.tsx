import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { ValueEntry } from './ValueEntry';

const character = (id: string) => ledgeCrabs.characters.find((c) => c.id === id)!;

/** The entry with somebody who keeps what it gives, as the bench does. */
function Kept({ id, onGive }: { id: string; onGive: (given: unknown) => void }) {
  const [given, setGiven] = useState<object | undefined>();
  const keep = (next: object | undefined) => {
    setGiven(next);
    onGive(next);
  };
  return <ValueEntry character={character(id)} reading={given && { character: id, ...given }} onGive={keep} />;
}

describe('a measured value', () => {
  it('takes a comma as a point, with its error', () => {
    const onGive = jest.fn();
    render(<Kept id="carapace-width" onGive={onGive} />);
    fireEvent.changeText(screen.getByLabelText('value'), '28,4');
    expect(onGive).toHaveBeenLastCalledWith({ value: 28.4 });
    fireEvent.changeText(screen.getByLabelText('±'), '0.3');
    expect(onGive).toHaveBeenLastCalledWith({ value: 28.4, error: 0.3 });
  });

  it('says what is wrong and gives nothing until it is right', () => {
    const onGive = jest.fn();
    render(<Kept id="carapace-width" onGive={onGive} />);
    fireEvent.changeText(screen.getByLabelText('value'), 'big');
    expect(onGive).toHaveBeenLastCalledWith(undefined);
    expect(screen.getByText('Write a number, such as 28.4.')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('value'), '0');
    expect(screen.getByText('It must be above 0.')).toBeTruthy();
    expect(onGive).toHaveBeenLastCalledWith(undefined);
  });

  it('works a ratio out from its two lengths', () => {
    const onGive = jest.fn();
    render(<Kept id="width-ratio" onGive={onGive} />);
    fireEvent.changeText(screen.getByLabelText('carapace width'), '32.4');
    expect(onGive).toHaveBeenLastCalledWith(undefined);
    fireEvent.changeText(screen.getByLabelText('carapace length'), '28.1');
    expect(onGive).toHaveBeenLastCalledWith({ parts: { numerator: 32.4, denominator: 28.1 } });
    expect(screen.getByText('= 1.15 ± 0.02')).toBeTruthy();
  });

  it('shows a reading that was changed elsewhere', () => {
    const { rerender } = render(
      <ValueEntry
        character={character('carapace-width')}
        reading={{ character: 'carapace-width', value: 28 }}
        onGive={jest.fn()}
      />,
    );
    rerender(
      <ValueEntry
        character={character('carapace-width')}
        reading={{ character: 'carapace-width', value: 31 }}
        onGive={jest.fn()}
      />,
    );
    expect(screen.getByLabelText('value').props.value).toBe('31');
  });
});
