import { type LearnAnswer, type LearnRequest, schemas } from '@plesion/contract';
import { api } from '../../lib/api';
import { useJob } from '../../lib/useJob';

const start = (body: LearnRequest) => api('learn', { body });
const parse = (result: unknown): LearnAnswer => schemas.LearnAnswer.parse(result);

/** Learning as the person sees it: begun, so far, done or stopped. */
export const useLearn = () => useJob(start, parse, 'guides');
