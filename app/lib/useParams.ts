import { useLocalSearchParams } from 'expo-router';

/**
 * The parts of a page's address by name, each as one text: what somebody's link says twice, it says as it does first.
 */
export function useParams<T extends Partial<Record<keyof T, string>>>(): T {
  const all = useLocalSearchParams() as Record<string, string | string[] | undefined>;
  return Object.fromEntries(Object.entries(all).map(([name, said]) => [name, [said].flat()[0]])) as T;
}
