import { DaybookScreen } from '../features/daybook/DaybookScreen';

export default DaybookScreen;
