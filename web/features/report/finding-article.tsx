import { conditions } from '@fair-plug/core/conditions';
import type { Verdict } from '@fair-plug/core/diagnosis';
import type { Finding } from '@fair-plug/core/report';
import { Words } from '@/components/region-words';
import { TestWords } from '@/components/test-words';
import { UrgencyMark } from '@/components/urgency-mark';
import classes from './finding-article.module.css';

const nameOf = (ids: readonly (keyof typeof conditions)[]): string =>
  ids.map((id) => conditions[id].name.toLowerCase()).join(', ');

export function FindingArticle({ finding }: { readonly finding: Finding }) {
  const { number, urgency, headline, verdict, what, why, correction, receptacles, cautions, cause } = finding;
  return (
    <section className={classes.finding}>
      <header className={classes.head}>
        <h3>
          <span className={classes.number}>{number}</span> <Words>{headline}</Words>
        </h3>
        <UrgencyMark urgency={urgency} />
      </header>
      <p className={classes.where}>{receptacles.join(', ')}</p>
      {verdict?.stop && (
        <p className={classes.stop}>
          <Words>{verdict.stop}</Words>
        </p>
      )}
      <dl className={classes.parts}>
        {cause !== null && (
          <Part
            term="Probable cause"
            words={`${cause.words}; ${cause.where}. It explains all of these receptacles.`}
          />
        )}
        <Part term={verdict === null ? 'What was seen' : 'What it reads as'} words={what} />
        <Part term="Why it matters" words={why} />
        <Part term="Correction" words={correction} />
        {verdict !== null && <FromReadings verdict={verdict} />}
        {receptacles.length > 1 && cause === null && verdict !== null && (
          <Part
            term="How many causes"
            words={`One cause upstream may explain several of these ${receptacles.length} receptacles; until their breaker is known, the readings do not tell whether it is one or more.`}
          />
        )}
        {cautions.length > 0 && <Part term="Caution" words={cautions.join(' ')} />}
      </dl>
    </section>
  );
}

/** What only testers can leave open. */
function FromReadings({ verdict }: { readonly verdict: Verdict }) {
  const { alsoFits, notRuledOut, next, practice } = verdict;
  return (
    <>
      {alsoFits.length > 0 && (
        <Part
          term="Also fits"
          words={`${alsoFits.map((fit) => `${nameOf(fit.conditions)} (${fit.how})`).join('; ')}.`}
        />
      )}
      {notRuledOut.length > 0 && <Part term="Not ruled out" words={`${nameOf(notRuledOut)}.`} />}
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
