import { counted } from '@fair-plug/core/words';
import { Button } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import type { PrintStage } from '@/contract/answers';
import { RequestFailed } from '@/local/api';
import { saveFile } from '@/local/files';
import { useLocal } from '@/local/local-store';
import classes from './report-screen.module.css';

const stageWords: Readonly<Record<PrintStage, string>> = {
  waiting: 'Waiting for its turn …',
  opening: 'Opening the report …',
  reading: 'Judging the readings …',
  printing: 'Printing …',
};

/** Whoever stays with a report so long may want it printed. */
const lookedAtMilliseconds = 1500;

export interface PdfButtonProps {
  readonly job: string;
  /** Of the owner's page. */
  readonly language: string;
}

/** Has the server print the report; says how far it is, and can be called off. */
export function PdfButton({ job, language }: PdfButtonProps) {
  const { api } = useLocal();
  const [at, setAt] = useState<{ readonly stage: PrintStage; readonly before: number } | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const work = useRef<AbortController | null>(null);
  useEffect(() => {
    // Nothing is lost where this fails: printing then starts from the beginning.
    const timer = setTimeout(() => void api.expectReport().catch(() => {}), lookedAtMilliseconds);
    return () => clearTimeout(timer);
  }, [api]);
  const print = async (): Promise<void> => {
    const own = new AbortController();
    work.current = own;
    setFailed(null);
    setAt({ stage: 'waiting', before: 0 });
    try {
      const printed = await api.printReport(job, { language }, own.signal, (stage, before = 0) =>
        setAt({ stage, before }),
      );
      if (printed !== null) saveFile(printed.name, printed.file);
    } catch (error) {
      setFailed(
        error instanceof RequestFailed && error.code === 'server-away'
          ? 'The server does not answer. Print it from this browser instead.'
          : error instanceof Error
            ? error.message
            : 'The report could not be printed.',
      );
    }
    setAt(null);
  };
  if (at === null)
    return (
      <>
        {failed !== null && (
          <p role="alert" className={classes.failed}>
            {failed}
          </p>
        )}
        <Button size="sm" onClick={print}>
          PDF
        </Button>
      </>
    );
  return (
    <>
      <span role="status">
        {at.before === 0
          ? stageWords[at.stage]
          : `Waiting: ${counted(at.before, 'report', 'reports')} before yours …`}
      </span>
      <Button size="sm" variant="default" onClick={() => work.current?.abort()}>
        Cancel
      </Button>
    </>
  );
}
