'use client';

import { counted } from '@fair-plug/core/words/counted.ts';
import { Button, FileButton } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { useLocal } from '@/local/local-store';
import { useQueries } from '@/local/queries';
import { useExportRecord } from '@/local/record';
import { takeIn } from '@/local/take-in';
import classes from './people.module.css';

/** The way out of everything: what is kept here as a file, and such a file taken in. */
export function Records() {
  const local = useLocal();
  const exportRecord = useExportRecord();
  const taken = useMutation(
    {
      networkMode: 'always',
      mutationFn: async (file: File) => takeIn(local, await file.text()),
    },
    useQueries(),
  );
  return (
    <section className={classes.narrow} aria-label="Records">
      <h2>What is kept on this device</h2>
      <p>As a file it can be taken in on another device, or by an owner of the firm.</p>
      <Button variant="default" onClick={() => exportRecord('everything')}>
        Save it as a file
      </Button>
      {local.identity.firm.role !== 'viewer' && (
        <FileButton accept="application/json" onChange={(file) => file !== null && taken.mutate(file)}>
          {(props) => (
            <Button variant="default" loading={taken.isPending} {...props}>
              Take a file in
            </Button>
          )}
        </FileButton>
      )}
      {taken.data !== undefined && (
        <p role="status">{counted(taken.data, 'entry was', 'entries were')} taken in.</p>
      )}
      {taken.error !== null && <p role="alert">{taken.error.message}</p>}
    </section>
  );
}
