import { WaitingScreen } from '../../features/opinions/WaitingScreen';

export default WaitingScreen;
