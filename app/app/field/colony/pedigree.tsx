import { PedigreeScreen } from '../../../features/colony/PedigreeScreen';

export default PedigreeScreen;
