import { View } from 'react-native';
import { Text } from '../../ui/Text';
import { formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { emblems } from '../plates/emblems';
import { useGuide } from '../records/useGuide';

interface GuideFigureProps {
  id: string;
  width: number;
  height: number;
  /** Which of the guide's kinds, in the order of {@link emblems}. */
  nth?: number;
  /** Said in its place where the guide draws none. */
  none?: string;
}

/** A drawing that stands for a guide: one of its kinds, grown. Its room until the guide is here; nothing where the guide draws none, or what is said then. */
export function GuideFigure({ id, width, height, nth = 0, none }: GuideFigureProps) {
  const guide = useGuide(id).data?.guide;
  const form = guide && emblems(guide)[nth];
  const plate = form && formPlate(guide, form.id, mainView(guide), 'thumb');
  if (guide && !plate)
    return none === undefined ? null : (
      <View style={{ height, justifyContent: 'center' }}>
        <Text size="small" quiet>
          {none}
        </Text>
      </View>
    );
  return <View style={{ width, height }}>{plate && <PlateView plate={plate} width={width} height={height} />}</View>;
}
