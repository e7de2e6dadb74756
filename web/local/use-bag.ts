import type { InstrumentId } from '@fair-plug/core/instruments';
import { useOwnStorage } from './use-own-storage';

/** What is in the bag until somebody says otherwise. */
const usualBag: readonly InstrumentId[] = ['lamps', 'probe', 'meter'];

/** The instruments at hand, as this device remembers them. */
export function useBag() {
  const [bag, setBag] = useOwnStorage<readonly InstrumentId[]>('bag', usualBag);
  return { bag, setBag };
}
