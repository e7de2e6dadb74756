import {
  type Era,
  type Expectation,
  expectationsOf,
  type HouseYear,
  hintsOf,
} from '@fair-plug/core/knowledge';
import type { House } from '@fair-plug/core/log';
import { useWholeWords } from '@/components/whole-words';
import { EraTimeLine } from './era-time-line';
import classes from './prepare.module.css';

const yearsOf = ({ yearBuilt, alterations }: House): readonly HouseYear[] => [
  ...(yearBuilt === null ? [] : [{ year: yearBuilt, what: null }]),
  ...alterations,
];

/** What the years of a house make likely: drawn, and in words. */
export function ExpectationsSection({ house }: { readonly house: House }) {
  const words = useWholeWords();
  const years = yearsOf(house);
  if (house.region !== 'north-america')
    return (
      <section className={classes.section} aria-labelledby="expect">
        <h2 id="expect">What to expect</h2>
        <p className={classes.soft}>
          The years of wiring that are known here are those of North America, and say nothing of this house.
        </p>
      </section>
    );
  return (
    <section className={classes.section} aria-labelledby="expect">
      <h2 id="expect">What to expect</h2>
      <EraTimeLine years={years} />
      <ul className={classes.hints}>
        {hintsOf(house.yearBuilt, house.alterations).map((hint) => (
          <li key={`${hint.kind} ${'year' in hint ? hint.year : ''}`}>{words.eraHint(hint)}</li>
        ))}
      </ul>
      {expectationsOf(years).map((expectation, index, all) => (
        <ExpectedIn
          key={`${expectation.of.year} ${expectation.of.what}`}
          expectation={expectation}
          before={new Set(all.slice(0, index).flatMap(({ eras, rules }) => [...eras, ...rules]))}
          hasRules={house.region === 'north-america'}
        />
      ))}
      <p className={classes.soft}>The years also feed the odds that the engine begins with.</p>
    </section>
  );
}

/** What one year makes likely, without what an earlier one of the house has said already. */
function ExpectedIn({
  expectation: { of, eras, rules },
  before,
  hasRules,
}: {
  readonly expectation: Expectation;
  readonly before: ReadonlySet<Era>;
  readonly hasRules: boolean;
}) {
  const words = useWholeWords();
  const fresh = eras.filter((era) => !before.has(era));
  const again = eras.filter((era) => before.has(era));
  const newRules = rules.filter((rule) => !before.has(rule));
  return (
    <div>
      <h3>
        <span className={classes.year}>{of.year}</span> {of.what ?? 'Built'}
      </h3>
      <dl className={classes.eras}>
        {fresh.map(({ id }) => (
          <div key={id}>
            <dt>{words.eras[id].name}</dt>
            <dd>
              {words.eras[id].lookFor} <small className={classes.soft}>{words.eras[id].source}</small>
            </dd>
          </div>
        ))}
        {again.length > 0 && (
          <div>
            <dt>As before</dt>
            <dd>{`${again.map(({ id }) => words.eras[id].name.toLowerCase()).join('; ')}.`}</dd>
          </div>
        )}
        {hasRules && newRules.length > 0 && (
          <div>
            <dt>Protection asked of new work by then</dt>
            <dd>
              {newRules
                .map(({ lane, id }) => `${words.eras[id].name}${lane === 'arc-fault' ? ' (arc-fault)' : ''}`)
                .join('; ')}
              .{' '}
              <small className={classes.soft}>
                {rules[0] === undefined ? '' : words.eras[rules[0].id].source}; United States. Where the house
                is older than a rule: “upgrade recommended”.
              </small>
            </dd>
          </div>
        )}
      </dl>
    </div>
  );
}
