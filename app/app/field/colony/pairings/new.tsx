import { NewPairing } from '../../../../features/colony/PairingForm';

export default NewPairing;
