import { MapScreen } from '../../features/map/MapScreen';

export default function Route() {
  return <MapScreen />;
}
