import type { DeviceChain, ProblemCode } from '@/contract/answers';

const heldBack: readonly string[] = [
  'server-away',
  'database-away',
  'no-room',
  'failed',
  'too-many',
  'signed-out',
  'not-allowed',
  'outdated',
];

/** A request that was not answered with success. `server-away`: nothing answered at all. */
export class RequestFailed extends Error {
  constructor(
    readonly code: ProblemCode | 'server-away',
    message: string,
    /** Of `chain`: the device that entered what does not go with the rest, and where its chain ends on the server. */
    readonly chain?: DeviceChain,
  ) {
    super(message);
  }

  /** True where the same request may succeed later: when the server is back, or after signing in again. */
  get isPassing(): boolean {
    return heldBack.includes(this.code);
  }
}
