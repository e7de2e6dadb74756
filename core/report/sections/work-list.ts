import { workListOf } from '../work-list.ts';
import type { Reported } from './kind.ts';

/** What the electrician takes along. */
export const workList = ({ report }: Reported) => ({ lines: workListOf(report) });
