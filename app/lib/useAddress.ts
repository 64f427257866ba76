import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { useParams } from './useParams';
import { afterPaint } from './whenIdle';

/** A pause in typing, in milliseconds, after which the address follows. */
const PAUSE = 250;

/** Whoever presses something may be about to go elsewhere: once only, and before what is pressed knows of it. */
function beforeOneGoes(follow: () => void): () => void {
  if (typeof document === 'undefined') return () => undefined;
  const pressed = (event: Event) => {
    if (event.type === 'keydown' && (event as KeyboardEvent).key !== 'Enter') return;
    leave();
    follow();
  };
  const leave = () => WAYS.forEach((way) => document.removeEventListener(way, pressed, FIRST));
  WAYS.forEach((way) => document.addEventListener(way, pressed, FIRST));
  return leave;
}
const WAYS = ['pointerdown', 'keydown'] as const;
const FIRST = { capture: true };

function after(pause: number, follow: () => void): () => void {
  const timer = setTimeout(follow, pause);
  return () => clearTimeout(timer);
}

type Values<K extends string> = Partial<Record<K, string>>;

/**
 * What a page is set to, kept in its address: Back, a reload and a link sent to somebody
 * else show the same. The page follows at once, the address after a moment.
 *
 * @param names the parts of the address; what is absent or empty there is undefined here.
 * @param pause milliseconds after which the address follows: none where nothing is typed.
 */
export function useAddress<const K extends string>(names: readonly K[], pause = PAUSE): [Values<K>, (change: Values<K>) => void] {
  const params = useParams<Record<string, string | undefined>>();
  const router = useRouter();
  /** What was set here, and the address does not say yet. */
  const [ahead, setAhead] = useState<Values<K>>();
  const inAddress = Object.fromEntries(names.map((name) => [name, params[name] || undefined])) as Values<K>;
  const there = !ahead || Object.entries(ahead).every(([name, value]) => (value || undefined) === inAddress[name as K]);
  useEffect(() => {
    if (!ahead) return;
    if (there) return setAhead(undefined);
    const follow = () =>
      router.setParams(Object.fromEntries(Object.keys(ahead).map((name) => [name, ahead[name as K] || undefined])));
    // All of the page hears of its address: what was chosen is seen to be so first, and what follows from it.
    const forget = pause ? after(pause, follow) : afterPaint(follow, PAUSE);
    const leave = beforeOneGoes(follow);
    return () => {
      forget();
      leave();
    };
  }, [ahead, there, router, pause]);
  const said = JSON.stringify({ ...inAddress, ...ahead });
  const values = useMemo(() => JSON.parse(said) as Values<K>, [said]);
  return [values, (change) => setAhead((before) => ({ ...before, ...change }))];
}
