import { ColonyScreen } from '../../../features/colony/ColonyScreen';

export default ColonyScreen;
