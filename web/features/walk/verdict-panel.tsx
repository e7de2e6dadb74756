import type { JudgedCircuit, Verdict } from '@fair-plug/core/assessment';
import type { ConditionId, Fit } from '@fair-plug/core/knowledge';
import { type House, type JobEntry, photosAt, type Receptacle } from '@fair-plug/core/log';
import type { Spoken } from '@fair-plug/core/words';
import { useDebouncedValue } from '@mantine/hooks';
import { useDeferredValue, useMemo } from 'react';
import { CircuitNext } from '@/components/circuit-next';
import { Explained, type Explanation } from '@/components/explained';
import { useWords } from '@/components/region-words';
import { TextButton } from '@/components/text-button';
import { UrgencyMark } from '@/components/urgency-mark';
import { useDrawn } from '@/components/use-drawn';
import { whenUsed } from '@/components/when-used';
import { beforeLampsAlone } from '@/local/pauses';
import type { AskedReading } from './asked-reading';

import { DangerWords } from './danger-words';
import { EngineOpinion } from './engine-opinion';
import { Halves } from './halves';
import { Tools } from './tools';
import type { Walk } from './use-walk';
import classes from './verdict-panel.module.css';
import type { SheetId } from './words';

const DoneHere = whenUsed(() => import('./done-here').then((one) => one.DoneHere));

const frequencyWords: Readonly<Record<Fit['frequency'], string>> = {
  usual: 'common',
  met: 'met now and then',
  rare: 'rare',
};

function names(fit: Fit, words: Spoken): string {
  const [first, ...others] = fit.conditions.map((id) => words.conditions[id].name);
  return [first, ...others.map((name) => name.toLowerCase())].join(' and ');
}

/** Something was done at a receptacle: what lists it is not loaded before. */
const wasDone = (one: Receptacle, photos: NonNullable<House['photos']>): boolean =>
  one.readings.length + one.looks.length + one.notes.length + one.groundFaultTests.length > 0 ||
  one.coverOff !== null ||
  one.notReached !== null ||
  one.halves !== undefined ||
  photosAt({ photos }, one.id).length > 0;

const noPhotos: NonNullable<House['photos']> = [];
const nothingDone = { at: null, entries: [], photos: noPhotos };

export interface VerdictPanelProps {
  readonly job: string;
  readonly house: House;
  readonly entries: readonly JobEntry[];
  readonly walk: Walk;
  readonly triangleIs: Explanation;
  readonly planIs: Explanation;
  /** The circuit of the receptacle in hand. */
  readonly circuit: JudgedCircuit | null;
  readonly nameOf: (id: string) => string;
  readonly onTake: (receptacle: string) => void;
  readonly isDoubted: boolean;
  /** Nobody has said yet in this visit whether halves read alike. */
  readonly asksForHalves: boolean;
  readonly onTest: (at: string, asked: AskedReading) => void;
  readonly onSheet: (sheet: SheetId) => void;
}

/** What the readings mean, what else fits, what is not ruled out, and the test that tells. */
export function VerdictPanel({
  job,
  house,
  entries,
  walk,
  triangleIs,
  planIs,
  circuit,
  isDoubted,
  asksForHalves,
  nameOf,
  onTake,
  onTest,
  onSheet,
}: VerdictPanelProps) {
  const words = useWords();
  const { verdict, judged, wrongBefore: before } = walk.shown;
  const { currentPlace, receptacle: doneAt } = walk.here;
  const photos = house.photos ?? noPhotos;
  // The verdict is drawn first, then what was done.
  const done = useDeferredValue(
    useMemo(() => ({ at: doneAt, entries, photos }), [doneAt, entries, photos]),
    nothingDone,
  );
  // What lamps alone leave open is not drawn where the engine's answer takes its place at once.
  const isAwaited = verdict !== null && judged === null && !walk.shown.isDraft;
  const [wasAwaited] = useDebouncedValue(isAwaited, beforeLampsAlone);
  const drawnVerdict = useDeferredValue(verdict);
  const enterReading = useDrawn(() =>
    onTest(currentPlace?.receptacle ?? '', { instrument: 'meter', loadsOff: false }),
  );
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must reach it
    <section className={classes.panel} aria-label="Verdict" tabIndex={0}>
      <Explanations {...{ triangleIs, planIs }} which={(one) => one.isAsked} />
      <div aria-live="polite" className={classes.words}>
        {verdict !== null && (
          <VerdictWords
            verdict={verdict}
            isDraft={walk.shown.isDraft}
            byLampsAlone={judged === null && (!isAwaited || wasAwaited)}
            hasDanger={walk.shown.danger !== null}
          />
        )}
        {before !== null && <ReadBefore condition={before} onHistory={() => onSheet('history')} />}
      </div>
      {walk.shown.danger !== null && <DangerWords danger={walk.shown.danger} walk={walk} />}
      {isDoubted && (
        <p className={classes.stop}>
          A tester failed its function check after this was read, or was dropped before: read it again with a
          good one.
        </p>
      )}
      {judged !== null && (
        <EngineOpinion
          judged={judged}
          next={walk.shown.next}
          cause={walk.shown.cause}
          nameOf={nameOf}
          onTest={onTest}
        />
      )}
      {circuit !== null && (
        <section className={classes.circuit} aria-label="The circuit as a whole">
          <CircuitNext circuit={circuit} nameOf={nameOf} onTake={onTake} />
        </section>
      )}
      <Explanations {...{ triangleIs, planIs }} which={(one) => !one.isAsked} />
      {verdict === null && <NothingRead hasDanger={walk.shown.danger !== null} />}
      <Halves walk={walk} asksForHalves={asksForHalves} onTakeApart={() => onSheet('edit')} />
      {judged !== null && walk.shown.danger === null && verdict?.plain === false && (
        <p className={classes.caution}>
          Before any cover comes off: read the neighbours on the same circuit, of three in a row the two outer
          ones first.
        </p>
      )}
      {drawnVerdict === verdict &&
        verdict?.cautions.map((id) => (
          <p key={id} className={classes.caution}>
            {words.cautions[id]}
          </p>
        ))}
      {done.at !== null && wasDone(done.at, done.photos) && (
        <DoneHere
          job={job}
          receptacle={done.at}
          entries={done.entries}
          photos={done.photos}
          onSheet={onSheet}
        />
      )}
      <Tools canRecord={walk.record.canRecord} onSheet={onSheet} onReading={enterReading} />
    </section>
  );
}

/** It reads correct and did not before: the history is where a slip of the finger is taken back. */
function ReadBefore({
  condition,
  onHistory,
}: {
  readonly condition: ConditionId;
  readonly onHistory: () => void;
}) {
  const words = useWords();
  return (
    <aside className={classes.before}>
      <p>{words.screens.walk.readBefore(words.conditions[condition].name.toLowerCase())}</p>
      <TextButton onClick={onHistory}>History</TextButton>
    </aside>
  );
}

interface ExplanationsProps extends Pick<VerdictPanelProps, 'triangleIs' | 'planIs'> {
  readonly which: (one: Explanation) => boolean;
}

/** What is seen for the first time stands behind a verdict, and stays in its place when one comes. */
function Explanations({ triangleIs, planIs, which }: ExplanationsProps) {
  const { walk } = useWords().screens;
  return (
    <>
      {which(triangleIs) && (
        <Explained explanation={triangleIs} what="the triangle">
          {walk.triangleIs}
        </Explained>
      )}
      {which(planIs) && (
        <Explained explanation={planIs} what="the rectangle">
          {walk.planIs}
        </Explained>
      )}
    </>
  );
}

function NothingRead({ hasDanger }: { readonly hasDanger: boolean }) {
  const words = useWords();
  return (
    <div className={classes.quiet}>
      {!hasDanger && (
        <p>
          Plug the tester in, then press the key of its pattern, or tap the lamps that are lit. A plainly
          correct one is a single press.
        </p>
      )}
      <p className={classes.caution}>{words.cautions.contacts}</p>
    </div>
  );
}

function VerdictWords({
  verdict,
  isDraft,
  byLampsAlone,
  hasDanger,
}: {
  readonly verdict: Verdict;
  readonly isDraft: boolean;
  /** Nothing better than the lamps says, or soon will, what else fits. */
  readonly byLampsAlone: boolean;
  /** Said apart, with what to do. */
  readonly hasDanger: boolean;
}) {
  const words = useWords();
  const { urgency, plain, notRuledOut, alsoFits } = verdict;
  const { headline, why, stop, settle, practice } = words.verdict(verdict);
  return (
    <>
      <header className={classes.head}>
        {urgency !== null && <UrgencyMark urgency={urgency} />}
        <h3 className={classes.headline}>{headline}</h3>
        {isDraft && <p className={classes.draft}>Not recorded yet</p>}
        {!plain && <p>{why}</p>}
      </header>
      {stop !== null && !hasDanger && <p className={classes.stop}>{stop}</p>}
      {byLampsAlone && !plain && <AlsoFits fits={alsoFits} />}
      {byLampsAlone && notRuledOut.length > 0 && (
        <p>
          <strong>{plain ? 'Lamps cannot rule out:' : 'Not ruled out:'}</strong>{' '}
          {`${notRuledOut.map((id) => words.conditions[id].name.toLowerCase()).join(', ')}.`}
        </p>
      )}
      {byLampsAlone && verdict.settle !== null && (
        <section className={classes.next}>
          <h4>Settle it: {words.screens.settle[verdict.settle]}</h4>
          <p>{settle}</p>
        </section>
      )}
      {practice !== null && <p className={classes.caution}>{practice}</p>}
    </>
  );
}

function AlsoFits({ fits }: { readonly fits: readonly Fit[] }) {
  const words = useWords();
  return (
    <section>
      <h4 className={classes.label}>Also fits</h4>
      <ul className={classes.fits}>
        {fits.map((fit) => (
          <li key={fit.id}>
            <strong>{names(fit, words)}</strong>{' '}
            <span className={classes.frequency}>{frequencyWords[fit.frequency]}</span>
            <br />
            {words.fits[fit.id]}
          </li>
        ))}
      </ul>
    </section>
  );
}
