import { DeskScreen } from '../features/review/DeskScreen';

export default DeskScreen;
