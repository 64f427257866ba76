import { RequestProblem, schemas, type Session } from '@plesion/contract';
import { type QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useContext } from 'react';
import { api } from '../../lib/api';
import { device } from '../../lib/device';
import { keptIn } from '../../lib/kept';
import { forgetForms } from '../../lib/keptForm';
import { forgetKept } from '../../lib/offline';
import { isBack, noteLapsed } from './lapsed';

const kept = keptIn(device, 'plesion.session', schemas.Session);

export const SessionContext = createContext<Session | undefined>(undefined);

/** Who is signed in; only below the gate. */
export function useSession(): Session {
  const session = useContext(SessionContext);
  if (!session) throw new Error('useSession is used outside the signed-in part of the application.');
  return session;
}

/** The session as the server knows it; without a connection, as this device last knew it. */
export function useSessionQuery() {
  return useQuery({
    queryKey: ['session'],
    retry: false,
    queryFn: async ({ signal }): Promise<Session | null> => {
      try {
        const session = await api('session', {}, signal);
        kept.keep(session);
        return session;
      } catch (error) {
        if (!(error instanceof RequestProblem)) throw error;
        if (error.status === 401) {
          const ended = kept.read();
          if (ended) noteLapsed(ended);
          kept.forget();
          return null;
        }
        const known = error.status === 0 ? kept.read() : undefined;
        if (known) return known;
        throw error;
      }
    },
  });
}

/** Nothing of one station may be seen in the next; the session itself stays watched. */
function forgetStation(client: QueryClient): void {
  client.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
  void forgetKept();
}

/** What is done when somebody has come in. */
export function useEntered(): (session: Session) => void {
  const client = useQueryClient();
  return (session) => {
    forgetStation(client);
    if (!isBack(session)) forgetForms();
    kept.keep(session);
    client.setQueryData(['session'], session);
  };
}

export function useEnter() {
  const entered = useEntered();
  const signIn = useMutation({
    mutationFn: (body: { name: string; password: string }) => api('signIn', { body }),
    onSuccess: entered,
  });
  const makeStation = useMutation({
    mutationFn: (body: { station: string; name: string; password: string }) => api('makeStation', { body }),
    onSuccess: entered,
  });
  return { signIn, makeStation };
}

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => api('signOut', {}),
    onSuccess: () => {
      kept.forget();
      forgetStation(client);
      forgetForms();
      client.setQueryData(['session'], null);
    },
  });
}
