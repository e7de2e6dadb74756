import { questionIds } from '@fair-plug/core/knowledge';
import type { FirmSettings, Tester } from '@fair-plug/core/log';
import {
  type FillIns,
  filledIn,
  methodFacts,
  ownerPageOf,
  type Report,
  workListOf,
} from '@fair-plug/core/report';
import { type OwnerLanguage, ownerTexts } from '@fair-plug/core/words';
import dayjs from 'dayjs';
import { memo } from 'react';
import { FindingArticle } from '@/components/finding-article';
import { Triangle } from '@/components/triangle';
import { viewWords } from '@/components/view-words';
import { useWholeWords } from '@/components/whole-words';
import { noAddress } from '@/shell/job-head';
import { CausesSection, CoverageSection, FunctionCheckSection } from './coverage-sections';
import { OwnerSheet } from './owner-sheet';
import { Particulars } from './particulars';
import { ReceptacleTable } from './receptacle-table';
import classes from './report-sheet.module.css';
import { Signatures } from './signatures';
import { WorkListTable } from './work-list-table';

export interface ReportSheetProps {
  readonly report: Report;
  readonly firmName: string;
  /** Those who read in the house, by name. */
  readonly inspectors: string;
  readonly firm: FirmSettings;
  /** Plug-in testers of the firm, by which the report calls them. */
  readonly testers: readonly Tester[];
  /** Of the owner's page. */
  readonly language: OwnerLanguage;
  /** What may still change it by itself; null once nothing does. */
  readonly unsettled: string | null;
}

/** The report itself: the same on screen, on paper and in the PDF. */
export const ReportSheet = memo(function ReportSheet({
  report,
  firmName,
  inspectors,
  firm,
  testers,
  language,
  unsettled,
}: ReportSheetProps) {
  const words = useWholeWords();
  const { headings } = words.report;
  const { house, findings, rooms, notSeen, cautions, noDefect } = report;
  const fillIns: FillIns = {
    address: house.address ?? noAddress,
    client: house.client ?? '',
    date: house.lastReadAt === null ? '' : dayjs(house.lastReadAt).format('D MMMM YYYY'),
    inspector: inspectors,
    firm: firmName,
    licence: firm.letterhead.licence ?? '',
  };
  const own = (place: keyof FirmSettings['wordings']): string | null =>
    firm.wordings[place] === undefined ? null : filledIn(firm.wordings[place], fillIns);
  const introduction = own('introduction');
  return (
    <article className={classes.sheet}>
      {unsettled !== null && <p className={classes.unsettled}>Not complete: {unsettled}</p>}
      <header className={classes.head}>
        <Letterhead firm={firm} name={firmName} />
        <h1>{words.report.title}</h1>
        <p className={classes.address}>{house.address ?? noAddress}</p>
        <Particulars report={report} inspector={inspectors} licence={firm.letterhead.licence} />
      </header>
      {introduction !== null && <p className={classes.own}>{introduction}</p>}
      <Figures report={report} />
      <OwnerSheet page={ownerPageOf(report, ownerTexts(language, house.region))} />
      <section>
        <h2>{headings.workList}</h2>
        <WorkListTable lines={workListOf(report)} />
      </section>
      <section>
        <h2>{headings.findings}</h2>
        <ReadingGuide />
        {findings.length === 0 ? (
          <p>{words.report.noFindings}</p>
        ) : (
          findings.map((finding) => (
            <FindingArticle key={finding.key} finding={finding} practice={report.practice} />
          ))
        )}
      </section>
      <CausesSection report={report} />
      {noDefect.length > 0 && (
        <section>
          <h2>{headings.noDefect}</h2>
          <ul className={classes.cautions}>
            {noDefect.map((one) => (
              <li key={one.key}>{one.words}</li>
            ))}
          </ul>
        </section>
      )}
      {notSeen.length > 0 && (
        <section>
          <h2>{headings.notSeen}</h2>
          <p>{words.report.notSeenLead}</p>
          <dl className={classes.unseen}>
            {notSeen.map((id) => (
              <div key={id}>
                <dt>{words.conditions[id].name}</dt>
                <dd>{`${words.conditions[id].what} ${words.conditions[id].why}`}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
      <section>
        <h2>{headings.receptacles}</h2>
        {rooms.map((room) => (
          <ReceptacleTable key={room.id ?? room.name} room={room} />
        ))}
      </section>
      <CoverageSection report={report} />
      <FunctionCheckSection report={report} testers={testers} />
      <Method report={report} firm={firm} own={own('method')} />
      <section>
        <h2>{headings.cautions}</h2>
        <ul className={classes.cautions}>
          {cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
        {own('closing') !== null && <p className={classes.own}>{own('closing')}</p>}
      </section>
      <Signatures house={house} />
    </article>
  );
});

function Letterhead({ firm, name }: { readonly firm: FirmSettings; readonly name: string }) {
  const { mark, lines } = firm.letterhead;
  return (
    <div className={classes.letterhead}>
      {/* biome-ignore lint/performance/noImgElement: a data address from the firm's own log, nothing to optimize */}
      {mark !== null && <img src={mark} alt="" className={classes.markPicture} />}
      <div>
        <p className={classes.firm}>{name}</p>
        {lines !== null && <p className={classes.firmLines}>{lines}</p>}
      </div>
    </div>
  );
}

function Figures({ report }: { readonly report: Report }) {
  const { figures } = useWholeWords().report;
  const { receptacles, tested, readCorrect, withFinding } = report.summary;
  const all = [
    [receptacles, figures.listed(receptacles)],
    [readCorrect, figures.correct],
    [withFinding, figures.notCorrect],
    [receptacles - tested, figures.notTested],
  ] as const;
  return (
    <section aria-label="Summary" className={classes.summary}>
      {all.map(([count, words]) => (
        <p key={words}>
          <span className={classes.numeral}>{count}</span> {words}
        </p>
      ))}
    </section>
  );
}

function ReadingGuide() {
  const words = useWholeWords();
  return (
    <aside className={classes.guide}>
      <Triangle lamps={{ hn: 'lit', hg: 'lit', ng: 'off' }} size={44} />
      <p>
        <strong>{words.report.headings.guide}</strong> {words.report.guide}
      </p>
    </aside>
  );
}

interface MethodProps {
  readonly report: Report;
  readonly firm: FirmSettings;
  readonly own: string | null;
}

/** How it was done, by which standard, and how this firm decides where practitioners differ. */
function Method({ report, firm, own }: MethodProps) {
  const words = useWholeWords();
  const { code } = report.practice;
  return (
    <section>
      <h2>{words.report.headings.method}</h2>
      {own === null ? (
        words.report.method(methodFacts(report.house)).map((one) => (
          <p key={one} className={classes.own}>
            {one}
          </p>
        ))
      ) : (
        <p className={classes.own}>{own}</p>
      )}
      <p className={classes.own}>
        {firm.standard === null ? '' : `Standard of practice: ${firm.standard}. `}
        {code.edition === null
          ? 'Sections of the code are quoted from memory, without an edition.'
          : `Sections of the code are of the ${code.edition} edition; those marked were quoted from memory.`}{' '}
        {words.screens.report.authorityDecides}
      </p>
      <ul className={classes.cautions}>
        {questionIds.map((id) => {
          const { asks, held, others } = viewWords(words, id, report.practice);
          return (
            <li key={id}>
              {`${asks} Held here: ${held?.says ?? ''} Others: ${others.map(({ name, says }) => `${name.toLowerCase()} – ${says}`).join(' ')}`}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
