import { AppearanceScreen } from '../features/appearance/AppearanceScreen';

export default AppearanceScreen;
