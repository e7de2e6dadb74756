import { shareInWords } from '@fair-plug/core/assessment';
import { type Condition, conditions } from '@fair-plug/core/conditions';
import {
  type Practice,
  questions,
  referenceInWords,
  referencesIn,
  viewsOf,
  ways,
  workers,
} from '@fair-plug/core/corrections';
import type { Finding } from '@fair-plug/core/findings';
import { AluminumRemedies } from './aluminum-remedies';
import classes from './finding-article.module.css';
import { useRegion, Words } from './region-words';
import { TestWords } from './test-words';
import { UrgencyMark } from './urgency-mark';

const nameOf = (ids: readonly (keyof typeof conditions)[]): string =>
  ids.map((id) => conditions[id].name.toLowerCase()).join(', ');

export interface FindingArticleProps {
  readonly finding: Finding;
  readonly practice: Practice;
  /** The evidence is shown unfolded. */
  readonly isOpen?: boolean;
}

/** A finding as it stands in the report. */
export function FindingArticle({ finding, practice, isOpen = false }: FindingArticleProps) {
  const { number, urgency, headline, proposal, what, why, correction, by, receptacles, flags, note } =
    finding;
  const verdict = proposal?.verdict ?? null;
  const condition: Condition | null = finding.condition === null ? null : conditions[finding.condition];
  return (
    <section className={classes.finding}>
      <header className={classes.head}>
        <h3>
          {number > 0 && <span className={classes.number}>{number}</span>} <Words>{headline}</Words>
        </h3>
        <UrgencyMark urgency={urgency} />
      </header>
      {receptacles.length > 0 && (
        <p className={classes.where}>{receptacles.map(({ name }) => name).join(', ')}</p>
      )}
      {verdict?.stop && (
        <p className={classes.stop}>
          <Words>{verdict.stop}</Words>
        </p>
      )}
      {flags.length > 0 && (
        <p className={classes.flag}>
          <strong>Read since it was accepted.</strong>{' '}
          <Words>{flags.map(({ words }) => words).join(' ')}</Words>
        </p>
      )}
      <dl className={classes.parts}>
        {proposal?.cause && (
          <Part
            term="Probable cause"
            words={`${proposal.cause.words}; ${proposal.cause.where}.${receptacles.length > 1 ? ' It explains all of these receptacles.' : ''}`}
          />
        )}
        <Part term={verdict === null ? 'What was seen' : 'What it reads as'} words={what} />
        <Part term="Why it matters" words={why} />
        <Urgent words={proposal?.urgencyReason ?? condition?.urgencyReason ?? ''} />
        <Part term="Correction" words={`${correction} By: ${workers[by]}.`} />
        {note !== null && <Part term="Note" words={note} />}
        {verdict !== null && <FromReadings verdict={verdict} />}
        {proposal !== null && proposal.probability !== null && (
          <Part
            term="How sure"
            words={`${shareInWords(proposal.probability)} by the readings so far${proposal.notRuledOut.length > 0 ? `; not ruled out: ${nameOf(proposal.notRuledOut)}` : ''}.`}
          />
        )}
        {receptacles.length > 1 && proposal !== null && proposal.cause === null && verdict !== null && (
          <Part
            term="How many causes"
            words={`One cause upstream may explain several of these ${receptacles.length} receptacles; until their breaker is known, the readings do not tell whether it is one or more.`}
          />
        )}
        {condition !== null && <FromCatalog condition={condition} practice={practice} />}
        {finding.key === 'house-aluminum' && <AluminumRemedies practice={practice} />}
        {proposal !== null && proposal.cautions.length > 0 && (
          <Part term="Caution" words={proposal.cautions.join(' ')} />
        )}
      </dl>
      {proposal !== null && proposal.evidence.length > 0 && (
        <details className={classes.evidence} open={isOpen}>
          <summary>
            Evidence: {proposal.evidence.length}{' '}
            {proposal.evidence.length === 1 ? 'reading or look' : 'readings and looks'}
          </summary>
          <ul>
            {proposal.evidence.map(({ receptacle, words, at }) => (
              <li key={`${receptacle} ${words} ${at}`}>
                {receptacle !== null && <strong>{receptacle} </strong>}
                <Words>{words}</Words>
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
  const region = useRegion();
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
                const { name, when, leaves, labels, standing } = ways[id];
                return (
                  <li key={id}>
                    <Words>
                      {`${name}${standing === 'temporary' ? ' (for a time only)' : ''}: ${when}${leaves === null ? '' : ` Leaves: ${leaves}`}${labels.length === 0 ? '' : ` Labels: ${labels.map((label) => `“${label}”`).join(', ')}.`}`}
                    </Words>
                  </li>
                );
              })}
          </ul>
        </dd>
      </div>
      {condition.steps.length > 0 && (
        <div>
          <dt>Steps</dt>
          <dd>
            <ol className={classes.ways} aria-label="Steps for the electrician">
              {condition.steps.map((step) => (
                <li key={step}>
                  <Words>{step}</Words>
                </li>
              ))}
            </ol>
          </dd>
        </div>
      )}
      {refused.length > 0 && (
        <Part term="Never" words={`${refused.map((id) => ways[id].name).join('; ')}.`} />
      )}
      <Part
        term="References"
        words={`${[...referencesIn(region, condition.references).map((id) => `${referenceInWords(id, practice.code)}. `)].join('')}The local code decides.`}
      />
      {condition.questions.map((id) => {
        const [held, ...others] = viewsOf(id, practice.schools);
        return (
          <Part
            key={id}
            term="Views"
            words={`${questions[id].asks} Held here: ${held?.says ?? ''} Others: ${others.map(({ says }) => says).join(' ')}`}
          />
        );
      })}
    </>
  );
}

/** What only testers can leave open. */
function FromReadings({ verdict }: { readonly verdict: NonNullable<Finding['proposal']>['verdict'] }) {
  if (verdict === null) return null;
  const { alsoFits, next, practice } = verdict;
  return (
    <>
      {alsoFits.length > 0 && (
        <Part
          term="Also fits"
          words={`${alsoFits.map((fit) => `${nameOf(fit.conditions)} (${fit.how})`).join('; ')}.`}
        />
      )}
      {next !== null && (
        <div>
          <dt>To settle it</dt>
          <dd>
            <TestWords test={next.test} /> – <Words>{next.why}</Words>
          </dd>
        </div>
      )}
      {practice !== null && <Part term="In practice" words={practice} />}
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
      <dd>
        <Words>{words}</Words>
      </dd>
    </div>
  );
}
