import { Button, FileButton } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useLocal } from '@/local/local-store';
import { takeInJob } from '@/local/take-in';
import { useKeep } from '@/local/use-logs';

/** Takes a job in from its file: what is here already stays as it is. */
export function OpenFile() {
  const local = useLocal();
  const keep = useKeep();
  const router = useRouter();
  const [failed, setFailed] = useState<string | null>(null);
  const open = async (file: File | null): Promise<void> => {
    if (file === null) return;
    setFailed(null);
    try {
      const { parseJobText } = await import('@fair-plug/core/exchange');
      const { problemInWords } = await import('@fair-plug/core/words');
      const isArchive = /\.zip$/i.test(file.name);
      const archive = isArchive ? await import('@/local/photos/take-in-archive') : null;
      const opened = await archive?.openArchive(file);
      const parsed = parseJobText(opened?.text ?? (await file.text()));
      if (parsed.kind === 'problems')
        throw new Error(`This is no job that can be taken in: ${problemInWords(parsed.problems[0])}`);
      // The photos first: an entry that is here has its photo here.
      if (opened !== undefined) await archive?.takeInPhotos(local, parsed.value, opened);
      await takeInJob(local, parsed.value);
      router.push(`/prepare?job=${parsed.value.job}`);
    } catch (error) {
      setFailed(error instanceof Error ? error.message : 'This file cannot be read.');
    }
  };
  return (
    <>
      {failed !== null && <p role="alert">{failed} Nothing was stored.</p>}
      <FileButton
        accept=".json,.zip,application/json,application/zip"
        onChange={open}
        disabled={keep === null}
      >
        {(props) => (
          <Button variant="default" {...props}>
            Open a job file
          </Button>
        )}
      </FileButton>
    </>
  );
}
