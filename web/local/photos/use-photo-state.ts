import { useLiveQuery } from 'dexie-react-hooks';
import { useSyncExternalStore } from 'react';
import { useLocal } from '../local-store';

/** Where a photo is: here alone, on its way with a share, on the server, or refused with the reason. */
export type PhotoWhere =
  | { readonly kind: 'here' | 'server' }
  | { readonly kind: 'sending'; readonly share: number }
  | { readonly kind: 'refused'; readonly why: string };

/** Where each photo of a job that was taken on this device is, by its hash; those of other devices are on the server. */
export function usePhotoStates(job: string): ReadonlyMap<string, PhotoWhere> {
  const { store, sync } = useLocal();
  const sending = useSyncExternalStore(sync.photos.listen, sync.photos.state, () => null);
  const rows = useLiveQuery(() => store.photos.where('log').equals(job).toArray(), [store, job]) ?? [];
  return new Map(
    rows.map(({ hash, sent, refused, have, total }): [string, PhotoWhere] => {
      if (sent === 1) return [hash, { kind: 'server' }];
      if (refused !== null) return [hash, { kind: 'refused', why: refused }];
      if (sending?.hash === hash) return [hash, { kind: 'sending', share: sending.have / sending.total }];
      return [hash, have > 0 ? { kind: 'sending', share: have / total } : { kind: 'here' }];
    }),
  );
}
