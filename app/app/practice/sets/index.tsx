import { SetsScreen } from '../../../features/sets/SetsScreen';

export default SetsScreen;
