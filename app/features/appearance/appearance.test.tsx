import { fireEvent, render, screen } from '@testing-library/react-native';
import { StyleSheet } from 'react-native';
import { DAY, LAMP } from '../../theme/palette';
import { setAppearance } from '../../theme/appearance';
import { Text } from '../../ui/Text';
import { AppearanceScreen } from './AppearanceScreen';

const mockPush = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush }) }));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ station: { name: 'Skerry' }, account: { name: 'ann' } }),
  useSignOut: () => ({ mutate: jest.fn() }),
}));

afterEach(() => setAppearance({ light: 'day', letters: 'usual', motion: 'device' }));

const sizeOf = (text: string) => StyleSheet.flatten(screen.getByText(text).props.style).fontSize;

describe('the look', () => {
  it('sets letters larger at once, all in the same measure', () => {
    render(
      <>
        <AppearanceScreen />
        <Text>body</Text>
        <Text size="display">title</Text>
      </>,
    );
    expect([sizeOf('body'), sizeOf('title')]).toEqual([15, 30]);
    fireEvent.press(screen.getByLabelText('larger'));
    expect([sizeOf('body'), sizeOf('title')]).toEqual([21.75, 43.5]);
    expect(screen.getByLabelText('larger')).toBeChecked();
  });

  it('keeps lamp and motion as they were chosen', () => {
    render(<AppearanceScreen />);
    fireEvent.press(screen.getByLabelText('lamp, for night work'));
    fireEvent.press(screen.getByLabelText('none'));
    expect(screen.getByLabelText('lamp, for night work')).toBeChecked();
    expect(screen.getByLabelText('none')).toBeChecked();
  });
});

/** Relative luminance and contrast as WCAG 2.2 defines them. */
function contrast(a: string, b: string): number {
  const luminance = (hex: string) => {
    const [r, g, b2] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r + 0.7152 * g + 0.0722 * b2;
  };
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light + 0.05) / (dark + 0.05);
}

describe.each([
  ['day', DAY],
  ['lamp', LAMP],
] as const)('the %s palette', (_, palette) => {
  it.each(['ink', 'quiet', 'kelp', 'for', 'against', 'hazard'] as const)('%s can be read on sheet and mist', (ink) => {
    for (const ground of [palette.sheet, palette.mist, palette.paper])
      expect(contrast(palette[ink], ground)).toBeGreaterThanOrEqual(4.5);
  });

  it('what is written on a main button can be read', () => {
    expect(contrast(palette.sheet, palette.kelp)).toBeGreaterThanOrEqual(4.5);
  });
});

it('lamp ink has no blue to speak of', () => {
  for (const name of ['ink', 'quiet', 'kelp', 'for'] as const) expect(parseInt(LAMP[name].slice(5, 7), 16)).toBeLessThan(0x80);
});

it('leads to the account', () => {
  render(<AppearanceScreen />);
  fireEvent.press(screen.getByLabelText('Account: password, sessions, tokens'));
  expect(mockPush).toHaveBeenCalledWith('/account');
});
