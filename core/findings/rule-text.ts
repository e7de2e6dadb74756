import type { Wording } from '../log/index.ts';

/** All that a rule has to say of what it proposes. */
export interface RuleText extends Pick<Wording, 'headline' | 'what' | 'why' | 'correction'> {
  /** Where the electrician opens first; null: no box. */
  readonly openFirst: string | null;
  /** What is tested after the repair; null: nothing. */
  readonly retest: string | null;
}
