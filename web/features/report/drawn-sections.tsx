import type { DrawnSection, SectionData } from '@fair-plug/core/report';
import type { ComponentType } from 'react';
import { FindingArticle } from '@/components/finding-article';
import { PrintedPhotos } from '@/components/photos/printed-photos';
import { Triangle } from '@/components/triangle';
import { useWholeWords } from '@/components/whole-words';
import { CircuitStrips } from './circuit-strips';
import { Heat } from './heat-table';
import { OwnerSheet } from './owner-sheet';
import { ReceptacleTable } from './receptacle-table';
import classes from './report-sheet.module.css';
import { Signatures } from './signatures';
import { WorkListTable } from './work-list-table';

/** The sections that are drawn, each by what it holds. */
export const drawings: { readonly [I in DrawnSection]: ComponentType<SectionData<I>> } = {
  summary: Figures,
  owner: (page) => <OwnerSheet page={page} />,
  workList: WorkListTable,
  findings: Findings,
  circuits: CircuitStrips,
  receptacles: ({ rooms }) => rooms.map((room) => <ReceptacleTable key={room.id ?? room.name} room={room} />),
  heat: Heat,
  photos: Photos,
  signatures: Signatures,
};

function Figures({ receptacles, readCorrect, withFinding, notTested }: SectionData<'summary'>) {
  const { figures } = useWholeWords().report;
  const all = [
    [receptacles, figures.listed(receptacles)],
    [readCorrect, figures.correct],
    [withFinding, figures.notCorrect],
    [notTested, figures.notTested],
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

function Findings({ findings, photos, practice }: SectionData<'findings'>) {
  const words = useWholeWords().report;
  return (
    <>
      <aside className={classes.guide}>
        <Triangle lamps={{ hn: 'lit', hg: 'lit', ng: 'off' }} size={44} />
        <p>
          <strong>{words.guideHeading}</strong> {words.guide}
        </p>
      </aside>
      {findings.length === 0 ? (
        <p>{words.noFindings}</p>
      ) : (
        findings.map((finding) => (
          <FindingArticle key={finding.key} finding={finding} practice={practice}>
            <PrintedPhotos photos={photos.filter((one) => one.finding === finding.key)} />
          </FindingArticle>
        ))
      )}
    </>
  );
}

/** Photos of no finding that somebody chose, and how many are kept besides. */
function Photos({ apart, kept }: SectionData<'photos'>) {
  const { photos } = useWholeWords();
  return (
    <>
      <PrintedPhotos photos={apart} />
      {kept > 0 && <p>{photos.kept(kept)}</p>}
    </>
  );
}
