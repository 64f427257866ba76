import { KitScreen } from '../features/kit/KitScreen';

export default KitScreen;
