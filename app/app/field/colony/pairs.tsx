import { PairsScreen } from '../../../features/colony/PairsScreen';

export default PairsScreen;
