import { ownWording, type Reported } from './kind.ts';

/** What the firm says before everything else. */
export function introduction(reported: Reported) {
  const own = ownWording(reported, 'introduction');
  return own === null ? null : { own };
}
