import { Box, type BoxProps } from './Box';

/** Parts side by side. */
export const Row = ({ gap = 's', ...rest }: Omit<BoxProps, 'across'>) => <Box across gap={gap} {...rest} />;
