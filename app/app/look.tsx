import { LookScreen } from '../features/look/LookScreen';

export default LookScreen;
