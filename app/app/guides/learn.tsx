import { LearnScreen } from '../../features/learn/LearnScreen';

export default LearnScreen;
