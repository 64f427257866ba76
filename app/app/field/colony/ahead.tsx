import { AheadScreen } from '../../../features/colony/AheadScreen';

export default AheadScreen;
