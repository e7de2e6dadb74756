import type { JobEntry } from '@fair-plug/core/log';
import type { Report } from '@fair-plug/core/report';
import { Button, Menu } from '@mantine/core';
import { useWholeWords } from '@/components/whole-words';
import { bareLinksOf } from '@/local/chain';
import { fileName, saveFile } from '@/local/files';
import { useLocal } from '@/local/local-store';
import { useNames } from '@/local/use-names';
import { noAddress } from '@/shell/job-head';

export interface SaveAsProps {
  readonly job: string;
  readonly report: Report;
  readonly entries: readonly JobEntry[];
}

const tables = ['receptacles', 'findings', 'work-list'] as const;

/** The job and its tables as files, made in this browser: they need no network. */
export function SaveAs({ job, report, entries }: SaveAsProps) {
  const words = useWholeWords();
  const address = report.house.address ?? noAddress;
  // Loaded when it is used: the walk and the report need none of it.
  const exchange = () => import('@fair-plug/core/exchange');
  const { store, api } = useLocal();
  const { nameOf } = useNames();
  const authors = Object.fromEntries(
    [...new Set(entries.map(({ author }) => author))].flatMap((author) => {
      const name = nameOf(author) ?? report.house.authors?.[author];
      return name === undefined ? [] : [[author, name]];
    }),
  );
  const wholeJob = async (): Promise<void> => {
    const { writeJobFile } = await exchange();
    const links = await bareLinksOf(store, job);
    saveFile(fileName(`Job ${address}`, 'json'), writeJobFile({ job, entries, authors, links }));
  };
  const asCsv = async (id: (typeof tables)[number], name: string): Promise<void> => {
    const { csvOf, tablesOf } = await exchange();
    saveFile(fileName(`${name} ${address}`, 'csv'), csvOf(tablesOf(report)[id]), 'text/csv');
  };
  const asWorkbook = async (): Promise<void> => {
    const { tablesOf, workbookOf } = await exchange();
    saveFile(fileName(`Tables ${address}`, 'xlsx'), await workbookOf(Object.values(tablesOf(report))));
  };
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <Button variant="default" size="sm">
          Save as …
        </Button>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>To take in elsewhere</Menu.Label>
        <Menu.Item onClick={wholeJob}>Whole job (JSON)</Menu.Item>
        {(report.house.photos ?? []).length > 0 && (
          <Menu.Item component="a" href={api.archiveAddress(job)} download>
            Whole job with its photos (ZIP)
          </Menu.Item>
        )}
        <Menu.Label>For a spreadsheet</Menu.Label>
        <Menu.Item onClick={asWorkbook}>All tables (XLSX)</Menu.Item>
        {tables.map((id) => {
          const { name } = words.tables[id === 'work-list' ? 'workList' : id];
          return (
            <Menu.Item key={id} onClick={() => asCsv(id, name)}>
              {name} (CSV)
            </Menu.Item>
          );
        })}
      </Menu.Dropdown>
    </Menu>
  );
}
