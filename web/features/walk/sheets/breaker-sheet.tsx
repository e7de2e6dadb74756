import { BreakerOff } from '@/components/breaker-off';
import type { SheetProps } from './sheet-props';

/** Which receptacles go dead with a breaker, from the receptacle in hand. */
export const BreakerSheet = ({ job, house, walk, onClose }: SheetProps) => (
  <BreakerOff
    job={job}
    house={house}
    of={walk.here.receptacle?.breaker ?? ''}
    record={walk.record.ofHouse}
    onClose={onClose}
  />
);
