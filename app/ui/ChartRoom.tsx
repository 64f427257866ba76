import { Box } from './Box';

/** What a chart's words and the line to its table take. */
const BELOW = 84;

/** The room of a chart so high until it is there: what stands below stays where it is. */
export const ChartRoom = ({ chart = 220 }: { chart?: number }) => <Box leastTall={chart + BELOW} />;
