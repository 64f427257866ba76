import type { ReactNode } from 'react';
import { Option } from '../../ui/Options';
import { Text } from '../../ui/Text';

interface Props {
  on: boolean;
  /** What a screen reader says; what is shown begins it. */
  label: string;
  shown: string;
  onPress: () => void;
  /** The tile. */
  children: ReactNode;
}

/** A tile to choose, with its word below it. */
export const TileOption = ({ on, label, shown, onPress, children }: Props) => (
  <Option
    on={on}
    label={label}
    onPress={onPress}
    framed
    align="center"
    gap="hair"
    pad="xs"
    least={84}
    most={140}
    round="s"
    tone="paper"
  >
    {children}
    <Text size="small" strong={on} set="centre">
      {shown}
    </Text>
  </Option>
);
