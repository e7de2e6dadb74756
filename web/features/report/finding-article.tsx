import { conditions } from '@fair-plug/core/conditions';
import type { Finding } from '@fair-plug/core/report';
import { TestWords } from '@/components/test-words';
import { UrgencyMark } from '@/components/urgency-mark';
import classes from './finding-article.module.css';

const nameOf = (ids: readonly (keyof typeof conditions)[]): string =>
  ids.map((id) => conditions[id].name.toLowerCase()).join(', ');

export function FindingArticle({ finding }: { readonly finding: Finding }) {
  const { number, urgency, verdict, what, receptacles, cautions, cause } = finding;
  const { correction, alsoFits, notRuledOut, next, practice, stop } = verdict;
  return (
    <section className={classes.finding}>
      <header className={classes.head}>
        <h3>
          <span className={classes.number}>{number}</span> {verdict.headline}
        </h3>
        <UrgencyMark urgency={urgency} />
      </header>
      <p className={classes.where}>{receptacles.join(', ')}</p>
      {stop !== null && <p className={classes.stop}>{stop}</p>}
      <dl className={classes.parts}>
        {cause !== null && (
          <Part term="Probable cause">
            {cause.words}; {cause.where}. It explains all of these receptacles.
          </Part>
        )}
        <Part term="What it reads as">{what}</Part>
        <Part term="Why it matters">{verdict.why}</Part>
        <Part term="Correction">{correction}</Part>
        {alsoFits.length > 0 && (
          <Part term="Also fits">
            {alsoFits.map((fit) => `${nameOf(fit.conditions)} (${fit.how})`).join('; ')}.
          </Part>
        )}
        {notRuledOut.length > 0 && <Part term="Not ruled out">{nameOf(notRuledOut)}.</Part>}
        {next !== null && (
          <Part term="To settle it">
            <TestWords test={next.test} /> – {next.why}
          </Part>
        )}
        {practice !== null && <Part term="In practice">{practice}</Part>}
        {receptacles.length > 1 && cause === null && (
          <Part term="How many causes">
            One cause upstream may explain several of these {receptacles.length} receptacles; until their
            breaker is known, the readings do not tell whether it is one or more.
          </Part>
        )}
        {cautions.length > 0 && <Part term="Caution">{cautions.join(' ')}</Part>}
      </dl>
    </section>
  );
}

function Part({ term, children }: { readonly term: string; readonly children: React.ReactNode }) {
  return (
    <div>
      <dt>{term}</dt>
      <dd>{children}</dd>
    </div>
  );
}
