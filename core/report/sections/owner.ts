import { ownerPageOf } from '../owner-page.ts';
import type { Reported } from './kind.ts';

/** One page for the owner, in their language. */
export const owner = ({ report, ownerTexts }: Reported) => ownerPageOf(report, ownerTexts);
