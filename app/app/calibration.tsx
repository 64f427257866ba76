import { CalibrationScreen } from '../features/verification/CalibrationScreen';

export default CalibrationScreen;
