import { Alert, Anchor, Loader } from '@mantine/core';
import Link from 'next/link';
import type { RequestFailed } from '@/local/api';

/** Stands where something is on its way, or says why it does not come. */
export function Loading({ error }: { readonly error?: RequestFailed | undefined }) {
  if (error === undefined)
    return <Loader m="xl" color="var(--ink-soft)" role="status" aria-label="Loading" />;
  return (
    <Alert m="xl" title={error.message} maw={520} variant="outline" color="ink">
      {error.code === 'not-found' ? (
        <Anchor component={Link} href="/">
          Back to the jobs
        </Anchor>
      ) : (
        'Trying again every few seconds. Nothing you entered is lost.'
      )}
    </Alert>
  );
}
