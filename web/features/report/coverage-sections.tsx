import { type Calibration, calibrationOf, closeOutItems } from '@fair-plug/core/knowledge';
import { foundBehind, powerNotBack, receptaclesOf, type Tester } from '@fair-plug/core/log';
import type { Report } from '@fair-plug/core/report';
import { counted } from '@fair-plug/core/words/counted.ts';
import dayjs from 'dayjs';
import { functionCheckWords } from '@/components/function-checks';
import { useWords } from '@/components/region-words';
import classes from './report-sheet.module.css';

interface Props {
  readonly report: Report;
}

/** One line a cause, with everything that it explains. */
export function CausesSection({ report }: Props) {
  const screens = useWords().screens.report;
  const protectedBy = foundBehind(report.house);
  const names = new Map(receptaclesOf(report.house).map(({ id, name }) => [id, name]));
  if (report.causes.length === 0 && protectedBy.length === 0) return null;
  return (
    <section>
      <h2>Causes and circuits</h2>
      <ul className={classes.cautions}>
        {report.causes.map(({ breaker, words: cause, where, receptacles }) => (
          <li key={`${breaker} ${cause} ${where}`}>
            <strong>{`Breaker ${breaker}: ${cause}`}</strong>, {where}. Explains {receptacles.length}:{' '}
            {receptacles.join(', ')}.
          </li>
        ))}
        {protectedBy.map(({ device, dead, isBack }) => (
          <li key={device}>
            {screens.deviceCuts(names.get(device) ?? '')}
            {dead.map((one) => names.get(one) ?? '').join(', ')}.{' '}
            {!isBack && <strong>Its power is not said to be back.</strong>}
          </li>
        ))}
      </ul>
    </section>
  );
}

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

/** What was tested, what was not and why, and what a random sample of this size would miss. */
export function CoverageSection({ report }: Props) {
  const words = useWords();
  const screens = words.screens.report;
  const { coverage, missing, house } = report;
  const { rooms, expected, tested, notReached, left } = coverage;
  const unlisted = rooms.filter((room) => room.expected > room.tested + room.notReached);
  return (
    <section>
      <h2>Coverage</h2>
      <p>
        {screens.tested(tested, expected)}
        {house.plan?.sample ? screens.devicesBesides(house.plan.sample) : ''}.
        {expected === tested && ` ${screens.notOnTheList}`}
      </p>
      {notReached.length > 0 && (
        <p>
          Not reached:{' '}
          {notReached
            .map(({ name, reason }) => `${name} (${words.notReached[reason].toLowerCase()})`)
            .join(', ')}
          .
        </p>
      )}
      {left.length > 0 && <p>Listed and not read, so nothing is said of them: {left.join(', ')}.</p>}
      {unlisted.length > 0 && expected > tested + notReached.length + left.length && (
        <p>
          Expected and not found on the walk:{' '}
          {unlisted.map((room) => `${room.name} ${room.expected - room.tested - room.notReached}`).join(', ')}
          .
        </p>
      )}
      {missing.length > 0 && (
        <p>
          Were those tested a random sample, all of the bad ones would have been missed{' '}
          {missing
            .map(
              ({ faulty, chance }) =>
                `in ${percent(chance)} of cases with ${faulty} bad among the ${expected}`,
            )
            .join(', ')}
          . Receptacles of one circuit are no random sample: take it as a guide.
        </p>
      )}
    </section>
  );
}

/** " (CAT III, 300 V, serial number 1234, calibrated 2 May 2026)": what stands on a tester. */
function markedAs(rating: string | null, calibration: Calibration | null): string {
  const { serial = null, calibratedOn = null } = calibration ?? {};
  const marks = [
    rating,
    serial === null ? null : `serial number ${serial}`,
    calibratedOn === null ? null : `calibrated ${dayjs(calibratedOn).format('D MMM YYYY')}`,
  ].filter((mark) => mark !== null);
  return marks.length === 0 ? '' : ` (${marks.join(', ')})`;
}

/** The testers and their proofs, and the house as it was left. */
export function FunctionCheckSection({
  report,
  testers: all,
}: Props & { readonly testers: readonly Tester[] }) {
  const words = useWords();
  const testers = new Map(all.map((one) => [one.id, one]));
  const { proofs, house } = report;
  const dead = powerNotBack(house);
  const labelled = receptaclesOf(house).filter(({ protection }) => (protection.labels?.length ?? 0) > 0);
  const elsewhere = receptaclesOf(house).filter(({ protection }) => protection.resetAt !== null);
  const warned = receptaclesOf(house).flatMap(({ name, warnings }) =>
    warnings.map(({ danger, at }) => ({ name, at, danger: danger.replace('-', ' ') })),
  );
  return (
    <section>
      <h2>Testers and function checks</h2>
      {proofs.length === 0 && <p>No tester was used or checked.</p>}
      <ul className={classes.cautions}>
        {proofs.map(({ instrument, tester, state, readings, proofs: tried, doubted }) => {
          const known = tester === null ? undefined : testers.get(tester);
          return (
            <li key={`${instrument} ${tester}`}>
              <strong>{known?.name ?? words.instruments[instrument].name}</strong>
              {markedAs(known?.rating ?? null, calibrationOf(report.practice, instrument, tester))}:{' '}
              {counted(readings, 'reading', 'readings')}; {functionCheckWords[state]}
              {tried.length > 0 &&
                ` (${tried.map((one) => `${one.passed ? 'good' : 'failed'} ${dayjs(one.at).format('HH:mm')}`).join(', ')})`}
              .
              {doubted.length > 0 && (
                <strong>
                  {' '}
                  {counted(doubted.length, 'reading', 'readings')} since its last good function check in
                  doubt.
                </strong>
              )}
            </li>
          );
        })}
      </ul>
      {labelled.length > 0 && (
        <p>
          Labels found:{' '}
          {labelled
            .map(
              ({ name, protection }) =>
                `${name} ${(protection.labels ?? []).map((one) => words.labels[one]).join(' and ')}`,
            )
            .join('; ')}
          .
        </p>
      )}
      {elsewhere.length > 0 && (
        <p>
          Resets found:{' '}
          {elsewhere.map(({ name, protection }) => `${name} at ${protection.resetAt}`).join('; ')}.
        </p>
      )}
      {warned.length > 0 && (
        <p>
          People were told to keep away:{' '}
          {warned
            .map(({ name, danger, at }) => `${name} (${danger}, ${dayjs(at).format('HH:mm')})`)
            .join('; ')}
          .
        </p>
      )}
      {house.keepPowered.length > 0 && <p>Must not lose power: {house.keepPowered.join(', ')}.</p>}
      {house.left.length > 0 && (
        <p>
          On leaving:{' '}
          {closeOutItems
            .filter((item) => house.left.includes(item))
            .map((item) => words.closeOut[item].toLowerCase())
            .join('; ')}
          .
        </p>
      )}
      {dead.length > 0 && (
        <p>
          <strong>Nobody said that the power is back: {dead.map(words.supplyPoint).join(', ')}.</strong>
        </p>
      )}
    </section>
  );
}
