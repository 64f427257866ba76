import { AccountScreen } from '../features/account/AccountScreen';

export default AccountScreen;
