import type { FirmSettings, Tester } from '@fair-plug/core/log';
import {
  type DrawnSection,
  type FillIns,
  type Report,
  type Reported,
  type SectionId,
  sectionIds,
  sections,
} from '@fair-plug/core/report';
import { type OwnerLanguage, ownerTexts } from '@fair-plug/core/words';
import { type ComponentType, memo } from 'react';
import { type TellTime, useHouseTime } from '@/components/house-time';
import { useWholeWords } from '@/components/whole-words';
import { noAddress } from '@/shell/job-head';
import { Blocks } from './blocks';
import { drawings } from './drawn-sections';
import classes from './report-sheet.module.css';

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
  const time = useHouseTime();
  const { house } = report;
  const fillIns: FillIns = {
    address: house.address ?? noAddress,
    client: house.client ?? '',
    date: house.lastReadAt === null ? '' : time(house.lastReadAt, 'D MMMM YYYY'),
    inspector: inspectors,
    firm: firmName,
    licence: firm.letterhead.licence ?? '',
  };
  const reported: Reported = {
    report,
    firm,
    testers,
    fillIns,
    ownerTexts: ownerTexts(language, house.region),
  };
  return (
    <article className={classes.sheet}>
      {unsettled !== null && <p className={classes.unsettled}>Not complete: {unsettled}</p>}
      <header className={classes.head}>
        <Letterhead firm={firm} name={firmName} />
        <h1>{words.report.title}</h1>
        <p className={classes.address}>{house.address ?? noAddress}</p>
        <SectionBody id="particulars" reported={reported} />
      </header>
      {sectionIds.map((id) => id !== 'particulars' && <Section key={id} id={id} reported={reported} />)}
    </article>
  );
});

interface SectionProps {
  readonly id: SectionId;
  readonly reported: Reported;
}

const isDrawn = (id: SectionId): id is DrawnSection => id in drawings;

/** A section under its heading; one without a heading is one with what it draws or says. */
function Section({ id, reported }: SectionProps) {
  const headings: Readonly<Partial<Record<SectionId, string>>> = useWholeWords().sections.headings;
  const heading = headings[id];
  if (heading === undefined) return <SectionBody id={id} reported={reported} />;
  if (sections[id](reported) === null) return null;
  return (
    <section>
      <h2>{heading}</h2>
      <SectionBody id={id} reported={reported} />
    </section>
  );
}

function SectionBody({ id, reported }: SectionProps) {
  const { texts } = useWholeWords().sections;
  const time = useHouseTime();
  const data = sections[id](reported);
  if (data === null) return null;
  if (isDrawn(id)) {
    const Drawn = drawings[id] as ComponentType<typeof data>;
    return <Drawn {...data} />;
  }
  return <Blocks blocks={texts[id](data as never, clockBy(time))} />;
}

const clockBy = (time: TellTime) => ({
  day: (at: string) => time(at, 'D MMMM YYYY'),
  shortDay: (at: string) => time(at, 'D MMM YYYY'),
  hour: (at: string) => time(at, 'HH:mm'),
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
