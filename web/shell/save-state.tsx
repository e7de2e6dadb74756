'use client';

import { counted } from '@fair-plug/core/words/counted.ts';
import dayjs from 'dayjs';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { whenUsed } from '@/components/when-used';
import { useLocal } from '@/local/local-store';
import { useExportRecord } from '@/local/record';
import { useSaveState } from '@/local/use-logs';
import classes from './save-state.module.css';

const Refusals = whenUsed(() => import('./refusals').then((one) => one.Refusals));

/** Where everything entered is: on the server, waiting here, or refused, with the reason. */
export function SaveStateLine() {
  const { isKeeping, toSend, refused, photosToSend, photosRefused, away } = useSaveState();
  const refusals = refused.length + photosRefused.length;
  if (refusals > 0) return <Refusals refused={refused} photos={photosRefused} />;
  if (isKeeping || toSend + photosToSend > 0)
    return (
      <span className={classes.state} data-state="waiting" role="status">
        {isKeeping ? '◌ being saved here' : `◐ saved here · ${waitingWords(toSend, photosToSend)} to send`}
      </span>
    );
  return (
    <span className={classes.state} data-state={away === null ? 'saved' : 'waiting'} role="status">
      {away === null ? '● saved on the server' : '○ nothing to send'}
    </span>
  );
}

/** "3", "3 and 1 photo", "1 photo" */
function waitingWords(entries: number, photos: number): string {
  if (photos === 0) return String(entries);
  const some = counted(photos, 'photo', 'photos');
  return entries === 0 ? some : `${entries} and ${some}`;
}

const reasons = {
  'database-away': 'The database cannot be reached.',
  'no-room': 'The server’s disk is full.',
  'server-away': 'The server does not answer.',
  outdated: 'Browser and server run different versions.',
  failed: 'The server failed.',
} as const;

const longUnsent = 2 * 3600_000;
const muchUnsent = 200;

/** Reminds of what is in this browser alone, once that is much or has been so for long. */
export function UnsentReminder() {
  const { toSend, unsentSince } = useSaveState();
  const exportRecord = useExportRecord();
  const isLong = unsentSince !== null && Date.now() - Date.parse(unsentSince) > longUnsent;
  if (!isLong && toSend < muchUnsent) return null;
  return (
    <div className={classes.banner} role="status">
      <span>
        <strong>{counted(toSend, 'entry is', 'entries are')} in this browser alone</strong>
        {unsentSince !== null && `, the first since ${dayjs(unsentSince).format('D MMM HH:mm')}`}. Find a
        signal, or save them as a file.
      </span>
      <button type="button" onClick={() => exportRecord('unsent')}>
        Save them
      </button>
    </div>
  );
}

const littleSpace = 50 * 2 ** 20;

/** Says so where the browser has little room left to keep entries in. */
export function SpaceWarning() {
  const [left, setLeft] = useState<number | null>(null);
  useEffect(() => {
    const look = async (): Promise<void> => {
      const { quota, usage } = (await navigator.storage?.estimate?.()) ?? {};
      setLeft(quota === undefined ? null : quota - (usage ?? 0));
    };
    void look();
    const timer = setInterval(look, 60_000);
    return () => clearInterval(timer);
  }, []);
  if (left === null || left > littleSpace) return null;
  return (
    <div className={classes.banner} role="status">
      <span>
        <strong>This device has {Math.max(0, Math.round(left / 2 ** 20))} MB left for Fair Plug.</strong> Free
        some before you go on.
      </span>
    </div>
  );
}

/** Says so while nothing can be stored on the server, and that work may go on. */
export function AwayBanner() {
  const { away, message } = useSaveState();
  // Who was removed sees nothing else than that: see LockedOut.
  if (away === null || away === 'removed') return null;
  if (away === 'signed-out') return <SignedOutBanner />;
  return (
    <div className={classes.banner} role="alert">
      <span>
        <strong>{reasons[away]}</strong> Go on working: what you enter is kept in this browser and sent when
        it is back. {(away === 'outdated' || away === 'failed') && message}
      </span>
    </div>
  );
}

function SignedOutBanner() {
  const { identity } = useLocal();
  const { unsent, unsentWords } = useSaveState();
  const exportRecord = useExportRecord();
  return (
    <div className={classes.banner} role="alert">
      <span>
        <strong>Signed out on the server.</strong> Go on working: what you enter is kept in this browser for{' '}
        {identity.person.name} and sent after{' '}
        <Link prefetch={false} href="/sign-in">
          signing in again
        </Link>
        .
      </span>
      {unsent > 0 && (
        <button type="button" onClick={() => exportRecord('unsent')}>
          Save the record of {unsentWords}
        </button>
      )}
    </div>
  );
}
