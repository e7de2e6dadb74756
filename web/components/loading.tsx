import Link from 'next/link';
import type { RequestFailed } from '@/local/api';
import classes from './loading.module.css';

/** Stands where something is on its way, or says why it does not come. */
export function Loading({ error }: { readonly error?: RequestFailed | undefined }) {
  if (error === undefined) return <div className={classes.loader} role="status" aria-label="Loading" />;
  return (
    <div className={classes.failed} role="alert">
      <strong>{error.message}</strong>
      <p>
        {error.code === 'not-found' ? (
          <Link href="/">Back to the jobs</Link>
        ) : (
          'Trying again every few seconds. Nothing you entered is lost.'
        )}
      </p>
    </div>
  );
}
