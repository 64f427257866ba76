import { createClient } from '@plesion/contract';
import { sharingEndpoints } from '@plesion/contract/endpoints/sharing';

export const sharingApi = createClient('', undefined, sharingEndpoints);
