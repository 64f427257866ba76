import { ActivityIndicator, View } from 'react-native';

/** Something is going on. The words beside it say what: the drawing itself is not read out. */
export const Spinner = ({ color, size }: { color: string; size?: 'small' | 'large' }) => (
  <View aria-hidden>
    <ActivityIndicator color={color} size={size} />
  </View>
);
