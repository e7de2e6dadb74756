import { type Remote, wrap } from 'comlink';
import type { PhotoMaker } from '@/workers/photo.worker';

let remote: Remote<PhotoMaker> | null = null;

/** What makes photos ready, in its worker, started when first asked for; only in a browser. */
export function photoMaker(): Remote<PhotoMaker> {
  remote ??= wrap<PhotoMaker>(
    new Worker(new URL('../../workers/photo.worker.ts', import.meta.url), { type: 'module', name: 'photos' }),
  );
  return remote;
}
