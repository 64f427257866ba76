import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { StateTiles } from './StateTiles';

const character = (id: string) => ledgeCrabs.characters.find((c) => c.id === id)!;
const acts = () => ({ onStates: jest.fn(), onCount: jest.fn(), onUnseen: jest.fn() });

describe('state tiles', () => {
  it('offer every state and always "not visible"', () => {
    const act = acts();
    render(<StateTiles guide={ledgeCrabs} character={character('front-edge')} {...act} />);
    expect(screen.getAllByRole('radio').map((tile) => tile.props.accessibilityLabel)).toEqual([
      'two lobes',
      'one arch',
      'three teeth',
      'not visible',
    ]);
    fireEvent.press(screen.getByLabelText('one arch'));
    expect(act.onStates).toHaveBeenCalledWith(['one-arch']);
    fireEvent.press(screen.getByLabelText('not visible'));
    expect(act.onUnseen).toHaveBeenCalledTimes(1);
  });

  it('gather several when the eye cannot choose, and never none', () => {
    const act = acts();
    const reading = { character: 'front-edge', states: ['one-arch'] };
    render(<StateTiles guide={ledgeCrabs} character={character('front-edge')} reading={reading} several {...act} />);
    fireEvent.press(screen.getByLabelText('two lobes'));
    expect(act.onStates).toHaveBeenLastCalledWith(['one-arch', 'two-lobes']);
    fireEvent.press(screen.getByLabelText('one arch'));
    expect(act.onStates).toHaveBeenCalledTimes(1);
  });

  it('offer counts as numbers and show the one read', () => {
    const act = acts();
    render(
      <StateTiles
        guide={ledgeCrabs}
        character={character('side-teeth')}
        reading={{ character: 'side-teeth', value: 5 }}
        {...act}
      />,
    );
    expect(screen.getByLabelText('5')).toBeChecked();
    fireEvent.press(screen.getByLabelText('4'));
    expect(act.onCount).toHaveBeenCalledWith(4);
  });
});
