import type { House } from '@fair-plug/core/inspection';
import type { Report } from '@fair-plug/core/report';
import dayjs from 'dayjs';
import { Words } from '@/components/region-words';
import { Triangle } from '@/components/triangle';
import type { Identity } from '@/local/identity';
import { CausesSection, CoverageSection, ProofSection } from './coverage-sections';
import { FindingArticle } from './finding-article';
import { ReceptacleTable } from './receptacle-table';
import classes from './report-sheet.module.css';

export interface ReportSheetProps {
  readonly report: Report;
  readonly identity: Identity;
}

/** The report itself: the same on screen, on paper and in the PDF. */
export function ReportSheet({ report, identity }: ReportSheetProps) {
  const { house, findings, rooms, notSeen, cautions } = report;
  return (
    <article className={classes.sheet} data-report={report.isFinal ? 'ready' : 'judging'}>
      <header className={classes.head}>
        <p className={classes.firm}>{identity.firm.name}</p>
        <h1>Receptacle inspection</h1>
        <p className={classes.address}>{house.address}</p>
        <Particulars report={report} inspector={identity.person.name} />
      </header>
      <Summary report={report} />
      <ReadingGuide />
      {report.serviceNeutral !== null && (
        <section>
          <h2>The whole house: act now</h2>
          <p>
            Volts between hot and neutral are high on one leg ({report.serviceNeutral.highVolts.toFixed(0)} V)
            and low on the other ({report.serviceNeutral.lowVolts.toFixed(0)} V), while neutral to ground
            stays near nothing: the service neutral is lost or loose. It burns equipment. Call the utility at
            once.
          </p>
        </section>
      )}
      <section>
        <h2>Findings</h2>
        {findings.length === 0 ? (
          <p>No receptacle that was read shows anything but “reads correct”.</p>
        ) : (
          findings.map((finding) => <FindingArticle key={finding.number} finding={finding} />)
        )}
      </section>
      <CausesSection report={report} />
      {report.noDefect.length > 0 && (
        <section>
          <h2>No defect</h2>
          <ul className={classes.cautions}>
            {report.noDefect.map((note) => (
              <li key={note}>
                <Words>{note}</Words>
              </li>
            ))}
          </ul>
        </section>
      )}
      {notSeen.length > 0 && (
        <section>
          <h2>What “reads correct” does not rule out</h2>
          <p>
            The instruments used at some of the receptacles that read correct would not show these. Three
            lamps see whether contacts are joined, not how well or to what; a probe, a meter and a load test
            see more.
          </p>
          <dl className={classes.unseen}>
            {notSeen.map((condition) => (
              <div key={condition.id}>
                <dt>
                  <Words>{condition.name}</Words>
                </dt>
                <dd>
                  <Words>{`${condition.what} ${condition.why}`}</Words>
                </dd>
              </div>
            ))}
          </dl>
        </section>
      )}
      <section>
        <h2>Receptacles by room</h2>
        {rooms.map((room) => (
          <ReceptacleTable key={room.id ?? room.name} room={room} />
        ))}
      </section>
      <CoverageSection report={report} />
      <ProofSection report={report} />
      <section>
        <h2>Cautions and limits</h2>
        <ul className={classes.cautions}>
          {cautions.map((caution) => (
            <li key={caution}>
              <Words>{caution}</Words>
            </li>
          ))}
        </ul>
      </section>
    </article>
  );
}

function Particulars({ report, inspector }: { readonly report: Report; readonly inspector: string }) {
  const { client, yearBuilt, about, alterations, present, firstReadAt, lastReadAt } = report.house;
  const days = [firstReadAt, lastReadAt].flatMap((at) =>
    at === null ? [] : dayjs(at).format('D MMMM YYYY'),
  );
  const rows: readonly (readonly [string, string | null])[] = [
    ['Client', client],
    ['House', [yearBuilt, about].filter((part) => part !== null).join(', ') || null],
    ['Altered', alterations.map(({ year, what }) => `${year} ${what}`).join(', ') || null],
    ['Present', present],
    ['As found', asFound(report.house)],
    ['Read on', [...new Set(days)].join(' to ') || 'not begun'],
    ['Inspector', inspector],
  ];
  return (
    <dl className={classes.particulars}>
      {rows.map(([term, value]) =>
        value === null ? null : (
          <div key={term}>
            <dt>{term}</dt>
            <dd>{value}</dd>
          </div>
        ),
      )}
    </dl>
  );
}

const asFound = ({ utilityOn, breakersFoundOff, devicesFoundTripped }: House): string | null =>
  [
    utilityOn === null ? null : `utility ${utilityOn ? 'on' : 'off'}`,
    breakersFoundOff === null ? null : `breakers off: ${breakersFoundOff}`,
    devicesFoundTripped === null ? null : `devices tripped: ${devicesFoundTripped}`,
  ]
    .filter((part) => part !== null)
    .join('; ') || null;

function Summary({ report }: { readonly report: Report }) {
  const { receptacles, tested, readCorrect, withFinding } = report.summary;
  const figures = [
    [receptacles, 'receptacles listed'],
    [readCorrect, 'read correct'],
    [withFinding, 'did not'],
    [receptacles - tested, 'not tested'],
  ] as const;
  return (
    <section aria-label="Summary" className={classes.summary}>
      {figures.map(([count, words]) => (
        <p key={words}>
          <span className={classes.numeral}>{count}</span> {words}
        </p>
      ))}
    </section>
  );
}

function ReadingGuide() {
  return (
    <aside className={classes.guide}>
      <Triangle lamps={{ hn: 'lit', hg: 'lit', ng: 'off' }} size={44} />
      <p>
        <strong>Reading the triangle.</strong> Its corners are the three contacts: hot at the top, neutral at
        the left, ground at the right. A thick edge is a lit lamp between two of them, a thin one a dark lamp.
        The one drawn here reads correct. A contact is filled only where it is known to be live; lamps alone
        never show that.
      </p>
    </aside>
  );
}
