import type { Finding } from '@fair-plug/core/findings';
import {
  type Condition,
  type ConditionId,
  conditions,
  type Practice,
  referencesIn,
  ways,
} from '@fair-plug/core/knowledge';
import type { Words } from '@fair-plug/core/words';
import type { ReactNode } from 'react';
import { useWholeWords } from '@/components/whole-words';
import { AluminumRemedies } from './aluminum-remedies';
import classes from './finding-article.module.css';
import { useRegion } from './region-words';
import { UrgencyMark } from './urgency-mark';
import { viewWords } from './view-words';

const namesOf = (words: Words, ids: readonly ConditionId[]): string =>
  ids.map((id) => words.conditions[id].name.toLowerCase()).join(', ');

export interface FindingArticleProps {
  readonly finding: Finding;
  readonly practice: Practice;
  /** The evidence is shown unfolded. */
  readonly isOpen?: boolean;
  /** Its photos. */
  readonly children?: ReactNode;
}

/** A finding as it stands in the report. */
export function FindingArticle({ finding, practice, isOpen = false, children }: FindingArticleProps) {
  const words = useWholeWords();
  const { number, urgency, headline, proposal, what, why, correction, by, receptacles, flags, note } =
    finding;
  const verdict = proposal?.verdict ?? null;
  const condition: Condition | null = finding.condition === null ? null : conditions[finding.condition];
  return (
    <section className={classes.finding}>
      <header className={classes.head}>
        <h3>
          {number > 0 && <span className={classes.number}>{number}</span>} {headline}
        </h3>
        <UrgencyMark urgency={urgency} />
      </header>
      {receptacles.length > 0 && (
        <p className={classes.where}>{receptacles.map(({ name }) => name).join(', ')}</p>
      )}
      {children}
      {verdict !== null && verdict.stop !== null && (
        <p className={classes.stop}>{words.stop(verdict.stop)}</p>
      )}
      {flags.length > 0 && (
        <p className={classes.flag}>
          <strong>Read since it was accepted.</strong> {flags.map((flag) => flag.words).join(' ')}
        </p>
      )}
      <dl className={classes.parts}>
        {proposal?.cause && (
          <Part
            term="Probable cause"
            words={`${proposal.cause.words}; ${proposal.cause.where}.${receptacles.length > 1 ? ` ${words.screens.findings.explainsAll}` : ''}`}
          />
        )}
        <Part term={verdict === null ? 'What was seen' : 'What it reads as'} words={what} />
        <Part term="Why it matters" words={why} />
        <Urgent
          words={
            proposal?.urgencyReason ??
            (condition === null ? '' : words.conditions[condition.id].urgencyReason)
          }
        />
        <Part term="Correction" words={`${correction} By: ${words.workers[by]}.`} />
        {note !== null && <Part term="Note" words={note} />}
        {verdict !== null && <FromReadings verdict={verdict} />}
        {proposal !== null && proposal.probability !== null && (
          <Part
            term="How sure"
            words={`${words.share(proposal.probability)} by the readings so far${proposal.notRuledOut.length > 0 ? `; not ruled out: ${namesOf(words, proposal.notRuledOut)}` : ''}.`}
          />
        )}
        {receptacles.length > 1 && proposal !== null && proposal.cause === null && verdict !== null && (
          <Part term="How many causes" words={words.screens.findings.howManyCauses(receptacles.length)} />
        )}
        {condition !== null && <FromCatalog condition={condition} practice={practice} />}
        {finding.key === 'house-aluminum' && <AluminumRemedies practice={practice} />}
        {proposal !== null && proposal.cautions.length > 0 && (
          <Part term="Caution" words={proposal.cautions.join(' ')} />
        )}
      </dl>
      {proposal !== null && proposal.evidence.length > 0 && (
        <details className={classes.evidence} open={isOpen}>
          <summary>Evidence ({proposal.evidence.length})</summary>
          <ul>
            {proposal.evidence.map(({ receptacle, words: shown, at }) => (
              <li key={`${receptacle} ${shown} ${at}`}>
                {receptacle !== null && !shown.startsWith(receptacle) && <strong>{receptacle} </strong>}
                {shown}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** Ways out, references and what practitioners differ on. */
function FromCatalog({
  condition,
  practice,
}: {
  readonly condition: Condition;
  readonly practice: Practice;
}) {
  const words = useWholeWords();
  const region = useRegion();
  const { steps } = words.conditions[condition.id];
  const refused = condition.ways.filter((id) => ways[id].standing === 'not-accepted');
  return (
    <>
      <div>
        <dt>Ways</dt>
        <dd>
          <ul className={classes.ways}>
            {condition.ways
              .filter((id) => ways[id].standing !== 'not-accepted')
              .map((id) => {
                const { name, when, leaves, labels } = words.ways[id];
                return (
                  <li key={id}>
                    {`${name}${ways[id].standing === 'temporary' ? ' (for a time only)' : ''}: ${when}${leaves === null ? '' : ` Leaves: ${leaves}`}${labels.length === 0 ? '' : ` Labels: ${labels.join(', ')}.`}`}
                  </li>
                );
              })}
          </ul>
        </dd>
      </div>
      {steps.length > 0 && (
        <div>
          <dt>Steps</dt>
          <dd>
            <ol className={classes.ways} aria-label="Steps for the electrician">
              {steps.map((step) => (
                <li key={step}>{step}</li>
              ))}
            </ol>
          </dd>
        </div>
      )}
      {refused.length > 0 && (
        <Part term="Never" words={`${refused.map((id) => words.ways[id].name).join('; ')}.`} />
      )}
      <Part
        term="References"
        words={`${[...referencesIn(region, condition.references).map((id) => `${words.reference(id, practice.code)}. `)].join('')}${words.screens.report.codeDecides}`}
      />
      {condition.questions.map((id) => {
        const { asks, held, others } = viewWords(words, id, practice);
        return (
          <Part
            key={id}
            term="Views"
            words={`${asks} Held here: ${held?.says ?? ''} Others: ${others.map(({ says }) => says).join(' ')}`}
          />
        );
      })}
    </>
  );
}

/** What only testers can leave open. */
function FromReadings({ verdict }: { readonly verdict: NonNullable<Finding['proposal']>['verdict'] }) {
  const words = useWholeWords();
  if (verdict === null) return null;
  const { alsoFits, settle } = verdict;
  const worded = words.verdict(verdict);
  return (
    <>
      {alsoFits.length > 0 && (
        <Part
          term="Also fits"
          words={`${alsoFits.map((fit) => `${namesOf(words, fit.conditions)} (${words.fits[fit.id]})`).join('; ')}.`}
        />
      )}
      {settle !== null && (
        <div>
          <dt>To settle it</dt>
          <dd>
            {words.screens.settle[settle]} – {worded.settle}
          </dd>
        </div>
      )}
      {worded.practice !== null && <Part term="In practice" words={worded.practice} />}
    </>
  );
}

function Urgent({ words }: { readonly words: string }) {
  return words === '' ? null : <Part term="Why so urgent" words={words} />;
}

function Part({ term, words }: { readonly term: string; readonly words: string }) {
  return (
    <div>
      <dt>{term}</dt>
      <dd>{words}</dd>
    </div>
  );
}
