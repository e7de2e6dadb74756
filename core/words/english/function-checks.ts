import type { FunctionCheckState } from '../../log/index.ts';

export const functionChecks: Readonly<Record<FunctionCheckState, string>> = {
  'not-proved': 'not checked in this house',
  'proved-before': 'checked before, not yet after',
  'proved-after': 'checked after, not before',
  proved: 'checked before and after',
  dropped: 'dropped, and not checked since',
  failed: 'failed its function check',
};
