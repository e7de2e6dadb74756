import { Button } from '@mantine/core';
import type { Draft } from '@/local/use-draft';

/** Says that what a form shows was entered earlier and never recorded. */
export function FromBefore({ draft: { isFromBefore, clear } }: { readonly draft: Draft<object> }) {
  if (!isFromBefore) return null;
  return (
    <p role="status">
      From before, not recorded.{' '}
      <Button size="compact-sm" variant="default" onClick={clear}>
        Clear
      </Button>
    </p>
  );
}
