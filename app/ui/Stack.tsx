import { View, type ViewProps } from 'react-native';
import { gaps, type Gap } from './gaps';

interface StackProps extends ViewProps {
  /** Room between the parts. */
  gap?: Gap;
}

/** Parts one below the other. */
export const Stack = ({ gap = 's', style, ...rest }: StackProps) => <View {...rest} style={[gaps[gap], style]} />;
