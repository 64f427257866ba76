import { createClient } from '@plesion/contract';
import { authoringEndpoints } from '@plesion/contract/endpoints/authoring';

export const authoringApi = createClient('', undefined, authoringEndpoints);
