import { colour, font } from '../theme';

/** How charts look: our letters and lines on a white sheet. */
export const chartLook = (decimalPlaces: number) => ({
  backgroundGradientFrom: colour.sheet,
  backgroundGradientTo: colour.sheet,
  decimalPlaces,
  color: () => colour.quiet,
  labelColor: () => colour.quiet,
  propsForDots: { r: '3' },
  propsForLabels: { fontSize: 11, fontFamily: font.text },
  propsForBackgroundLines: { stroke: colour.hairline },
});
