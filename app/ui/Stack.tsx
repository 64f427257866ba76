import { Box, type BoxProps } from './Box';

/** Parts one below the other. */
export const Stack = ({ gap = 's', ...rest }: Omit<BoxProps, 'across' | 'oneLine'>) => <Box gap={gap} {...rest} />;
