import { type VerifiedFile, verifyJobFile } from '@fair-plug/core/exchange';
import type { AlteredHow } from '@fair-plug/core/log';
import { counted, problemInWords } from '@fair-plug/core/words';
import type { CommandResult } from './result.ts';

/** What the command ends with: nothing to say, something altered, something missing. */
const statuses = { intact: 0, altered: 1, pending: 3 } as const;

const how: Readonly<Record<AlteredHow, string>> = {
  body: 'does not say what its link covers',
  link: 'is not what the next one was entered after',
  place: 'stands at a place that another has',
  order: 'stands before one that comes first',
  head: 'is not what its chain ended with when the file was written',
};

/** More of a kind than these help nobody. */
const shown = 20;

function some<T>(all: readonly T[], line: (one: T) => string): readonly string[] {
  const rest = all.length - shown;
  return [...all.slice(0, shown).map(line), ...(rest > 0 ? [`… and ${rest} more`] : [])];
}

function linesOn({ verdict, altered, gaps, chained, unchained, unlinked, isSealBroken }: VerifiedFile) {
  const lines = [
    `${verdict}: ${counted(chained, 'entry', 'entries')} chained, ${unchained} from before there were chains`,
    ...some(altered, ({ device, place, entry, how: is }) =>
      entry === null
        ? `altered: the link at place ${place} of device ${device} ${how[is]}`
        : `altered: entry ${entry}${place === null ? '' : ` (place ${place} of device ${device})`} ${how[is]}`,
    ),
    ...some(gaps, ({ device, from, to }) =>
      from === to
        ? `pending: place ${from} of device ${device} is not there`
        : `pending: places ${from} to ${to} of device ${device} are not there`,
    ),
    ...some(unlinked, (entry) => `pending: entry ${entry} has no link, and its device had begun a chain`),
  ];
  if (isSealBroken) lines.push('altered: what the file says beside its entries');
  if (chained === 0)
    lines.push('pending: nothing in this file is chained, so that nothing shows what was altered');
  return lines;
}

/** What the chains of a job file say: intact, pending (something is missing, or nothing is chained), or altered. */
export function verified(input: unknown): CommandResult {
  const parsed = verifyJobFile(input);
  if (parsed.kind === 'problems') return { kind: 'refused', message: problemInWords(parsed.problems[0]) };
  const { value } = parsed;
  return { kind: 'answered', text: `${linesOn(value).join('\n')}\n`, status: statuses[value.verdict] };
}
