import { createClient } from '@plesion/contract';
import { ownEndpoints } from '@plesion/contract/endpoints/own';

export const ownApi = createClient('', undefined, ownEndpoints);
