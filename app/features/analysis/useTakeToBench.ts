import type { Reading } from '@plesion/core/observation';
import { useRouter } from 'expo-router';
import { withReading } from './readings';
import type { Bench } from './useBench';

/** Files a reading that was taken on a page of its own, and goes back to where one came from: the Bench, where that is not known. */
export function useTakeToBench(id: string, bench: Bench): (reading: Reading) => void {
  const router = useRouter();
  return (reading) => {
    bench.draft.change((content) => withReading(content, reading));
    if (router.canGoBack()) router.back();
    else router.replace(`/specimens/${id}/bench?character=${reading.character}`);
  };
}
