import { useSession } from '../session/useSession';

/** Whoever records also teaches; who learns does not. */
export const useTeaches = (): boolean => useSession().account.role !== 'learner';
