import { GuidesScreen } from '../../features/guides/GuidesScreen';

export default GuidesScreen;
