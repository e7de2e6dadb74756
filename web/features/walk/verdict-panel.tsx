import { cautions, conditions, type Fit } from '@fair-plug/core/conditions';
import type { Verdict } from '@fair-plug/core/diagnosis';
import { Button } from '@mantine/core';
import { TestWords } from '@/components/test-words';
import { UrgencyMark } from '@/components/urgency-mark';
import { EngineOpinion } from './engine-opinion';
import { FeedForm } from './feed-form';
import type { AskedReading } from './reading-form';
import type { Walk } from './use-walk';
import classes from './verdict-panel.module.css';

const frequencyWords: Readonly<Record<Fit['frequency'], string>> = {
  usual: 'common',
  met: 'met now and then',
  rare: 'rare',
};

function names(fit: Fit): string {
  const [first, ...others] = fit.conditions.map((id) => conditions[id].name);
  return [first, ...others.map((name) => name.toLowerCase())].join(' and ');
}

export interface VerdictPanelProps {
  readonly walk: Walk;
  readonly nameOf: (id: string) => string;
  readonly onTest: (at: string, asked: AskedReading) => void;
}

/** What the readings mean, what else fits, what is not ruled out, and the test that tells. */
export function VerdictPanel({ walk, nameOf, onTest }: VerdictPanelProps) {
  const { verdict, judged, inHand } = walk;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must reach it
    <section className={classes.panel} aria-label="Verdict" tabIndex={0}>
      <div aria-live="polite" className={classes.words}>
        {verdict === null ? (
          <NothingRead />
        ) : (
          <VerdictWords verdict={verdict} isDraft={walk.isDraft} isJudged={judged !== null} />
        )}
      </div>
      {judged !== null && (
        <EngineOpinion judged={judged} cause={walk.cause} nameOf={nameOf} onTest={onTest} />
      )}
      {verdict?.cautions.map((id) => (
        <p key={id} className={classes.caution}>
          {cautions[id]}
        </p>
      ))}
      <section className={classes.more} aria-label="More at this receptacle">
        <Button
          variant="default"
          aria-keyshortcuts="M"
          rightSection={<kbd className={classes.kbd}>M</kbd>}
          onClick={() => onTest(inHand?.receptacle ?? '', { instrument: 'meter', loadsOff: false })}
        >
          Enter a reading
        </Button>
        <FeedForm
          key={`${inHand?.receptacle} ${walk.breaker} ${walk.place}`}
          breaker={walk.breaker}
          place={walk.place}
          onFeed={walk.feed}
        />
      </section>
    </section>
  );
}

function NothingRead() {
  return (
    <div className={classes.quiet}>
      <p>
        Plug the tester in, then press the key of its pattern, or tap the lamps that are lit.
        <span className="screen-only"> A plainly correct one is a single press.</span>
      </p>
      <p className={classes.caution}>{cautions.contacts}</p>
    </div>
  );
}

function VerdictWords({
  verdict,
  isDraft,
  isJudged,
}: {
  readonly verdict: Verdict;
  readonly isDraft: boolean;
  readonly isJudged: boolean;
}) {
  const { headline, why, urgency, stop, plain, notRuledOut, alsoFits, next, practice } = verdict;
  return (
    <>
      <header className={classes.head}>
        {urgency !== null && <UrgencyMark urgency={urgency} />}
        <h3 className={classes.headline}>{headline}</h3>
        {isDraft && <p className={classes.draft}>Not recorded yet</p>}
        {!plain && <p>{why}</p>}
      </header>
      {stop !== null && <p className={classes.stop}>{stop}</p>}
      {!isJudged && !plain && <AlsoFits fits={alsoFits} />}
      {!isJudged && notRuledOut.length > 0 && (
        <p>
          <strong>{plain ? 'Lamps cannot rule out:' : 'Not ruled out:'}</strong>{' '}
          {notRuledOut.map((id) => conditions[id].name.toLowerCase()).join(', ')}.
        </p>
      )}
      {!isJudged && next !== null && (
        <section className={classes.next}>
          <h4>
            Settle it: <TestWords test={next.test} />
          </h4>
          <p>{next.why}</p>
        </section>
      )}
      {practice !== null && <p className={classes.caution}>{practice}</p>}
    </>
  );
}

function AlsoFits({ fits }: { readonly fits: readonly Fit[] }) {
  return (
    <section>
      <h4 className={classes.label}>Also fits</h4>
      <ul className={classes.fits}>
        {fits.map((fit) => (
          <li key={`${names(fit)} ${fit.how}`}>
            <strong>{names(fit)}</strong>{' '}
            <span className={classes.frequency}>{frequencyWords[fit.frequency]}</span>
            <br />
            {fit.how}
          </li>
        ))}
      </ul>
    </section>
  );
}
