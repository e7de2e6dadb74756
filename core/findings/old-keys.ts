import type { VerdictCode } from '../assessment/index.ts';
import type { House } from '../log/index.ts';

/**
 * How findings were keyed while keys held sentences: what was decided on one by its old key is decided on it by its new
 * one. Frozen: the sentences are those of then, whatever is said today.
 */
const oldHeadlines: Readonly<Record<string, VerdictCode>> = {
  'Reads correct': 'lamps-hn-hg',
  'Reads hot and neutral reversed': 'lamps-hn-ng',
  'Reads hot and ground reversed': 'lamps-hg-ng',
  'Reads open ground': 'lamps-hn',
  'Reads open neutral': 'lamps-hg',
  'Reads open hot, with hot on the neutral': 'lamps-ng',
  'No lamps: not proved dead': 'lamps-none',
  'All lamps lit: overvoltage': 'lamps-all',
  'A lamp is dim: no pattern to trust': 'lamps-dim',
  'Undetermined: test again': 'undetermined',
  'Energized ground': 'energized-ground',
  'Reversed bootleg ground': 'reversed-bootleg-ground',
  'Hot and ground reversed': 'hot-ground-reversed',
  'Lost shared neutral': 'lost-shared-neutral',
  'Open neutral': 'open-neutral',
  'Reversed polarity': 'reversed-polarity',
  'Bootleg ground': 'bootleg-ground',
  'Neutral and ground joined': 'neutral-ground-bond',
  'Open ground': 'open-ground',
  'Neutral and ground exchanged': 'neutral-ground-swapped',
  'High-resistance connection': 'high-resistance',
  'Ground-fault protection failed': 'protection-failed',
  'No power here – not proved dead': 'open-hot',
  'No power: likely tripped or switched off – not proved dead': 'protection-tripped',
  'Reads correct, but may hide energized ground': 'may-hide-energized-ground',
  'Reads correct, but may hide reversed bootleg ground': 'may-hide-reversed-bootleg-ground',
  'Reads correct, but may hide hot and ground reversed': 'may-hide-hot-ground-reversed',
  'Reads correct, but may hide lost shared neutral': 'may-hide-lost-shared-neutral',
  'Reads correct, but may hide open neutral': 'may-hide-open-neutral',
  'Reads correct, but may hide reversed polarity': 'may-hide-reversed-polarity',
  'Reads correct, but may hide bootleg ground': 'may-hide-bootleg-ground',
  'Reads correct, but may hide neutral and ground joined': 'may-hide-neutral-ground-bond',
  'Reads correct, but may hide open ground': 'may-hide-open-ground',
  'Reads correct, but may hide neutral and ground exchanged': 'may-hide-neutral-ground-swapped',
  'Reads correct, but may hide high-resistance connection': 'may-hide-high-resistance',
  'Reads correct, but may hide ground-fault device tripped': 'may-hide-protection-tripped',
  'Reads correct, but may hide ground-fault protection failed': 'may-hide-protection-failed',
  'Reads correct, but may hide no power': 'may-hide-open-hot',
};

/** Of rules that do not always say the same. */
const oldRuleHeadlines: Readonly<Record<string, string>> = {
  'Aluminum branch wiring': 'house-aluminum-seen',
  'Signs of aluminum branch wiring': 'house-aluminum-signs',
  'A tester failed its proof': 'house-testers-failed',
  'Testers not proved before and after': 'house-testers-not-proved',
};

const oldDevices: Readonly<Record<string, string>> = {
  'No power at the device: tripped upstream, line and load exchanged, or at the end of its life.': 'no-power',
  'Did not trip at a receptacle that reads correct: a failed device, wiring that leads past it, or a jumper from neutral to ground.':
    'no-trip',
  'The ground-fault device passes current but no longer trips.': 'failed',
};

/** Of headlines that a finding was held with before it was held with a code. */
export const codeOfHeadline = (headline: string): string | null =>
  oldHeadlines[headline] ?? oldRuleHeadlines[headline] ?? null;

/** Whether something was decided on a finding by its old key: when it was still one for all devices of a house. */
export const isDecidedByOldKey = (findingEntries: House['findingEntries'], key: string): boolean =>
  findingEntries.some((entry) => {
    const named =
      'findings' in entry ? entry.findings : [entry.finding, ...('into' in entry ? [entry.into] : [])];
    return named.some((one) => one !== null && one !== key && currentKey(one) === key);
  });

/** The key of today for a key of any day. */
export function currentKey(key: string): string {
  const reads = /^reads (\S+): (.+)$/.exec(key);
  if (reads !== null) {
    const code = oldHeadlines[reads[2] ?? ''];
    return code === undefined ? key : `reads:${reads[1]}:${code}`;
  }
  const cause = /^breaker (.+): (.+) (\d+)$/.exec(key);
  if (cause !== null)
    return `cause:${cause[1]}:${cause[2]?.replaceAll(', ', '+').replaceAll(' ', '-')}:${cause[3]}`;
  if (key.startsWith('device ')) return `device-${oldDevices[key.slice('device '.length)] ?? key.slice(7)}`;
  return /^(house|box|labels|seen) /.test(key) ? key.replaceAll(' ', '-') : key;
}
