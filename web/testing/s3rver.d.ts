/** A stand-in for a store that speaks S3, for tests; it comes without types. */
declare module 's3rver' {
  import type { AddressInfo } from 'node:net';
  export default class S3rver {
    constructor(options: {
      readonly address: string;
      readonly port: number;
      readonly silent: boolean;
      readonly directory: string;
      readonly configureBuckets: readonly { readonly name: string; readonly configs: readonly string[] }[];
    });
    run(): Promise<AddressInfo>;
    close(): Promise<void>;
  }
}
