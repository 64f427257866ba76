import { fireEvent, screen } from '@testing-library/react-native';
import { showScreen } from '../test/showScreen';
import { Reckoned } from './Reckoned';
import { Text } from './Text';

it('says how a figure was reckoned while it is asked, and the figure is its name', async () => {
  await showScreen(
    <Reckoned says="All that were counted.">
      <Text>42 left</Text>
    </Reckoned>,
  );
  expect(screen.queryByText('All that were counted.')).toBeNull();
  fireEvent.press(screen.getByRole('button', { name: '42 left', expanded: false }));
  screen.getByText('All that were counted.');
  fireEvent.press(screen.getByRole('button', { name: '42 left', expanded: true }));
  expect(screen.queryByText('All that were counted.')).toBeNull();
});
