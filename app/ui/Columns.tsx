import { useWide } from '../theme';
import { Box, type BoxProps } from './Box';
import { Stack } from './Stack';

/** Columns of a page: side by side on a wide screen, one below the other on a narrow one. */
export function Columns(props: BoxProps) {
  const wide = useWide();
  return <Box across={wide} oneLine align={wide ? 'start' : 'stretch'} gap={wide ? 'l' : 'm'} {...props} />;
}

interface ColumnProps extends Omit<BoxProps, 'fill' | 'share'> {
  /** How many times the room of the others it has on a wide screen. */
  times?: number;
}

/** One of {@link Columns}. */
export function Column({ times = 1, ...rest }: ColumnProps) {
  const wide = useWide();
  return <Stack share={wide ? times : undefined} gap={wide ? 'l' : 'm'} {...rest} />;
}
