'use client';

import { Popover, UnstyledButton } from '@mantine/core';
import { useSaveState } from '@/local/use-logs';
import classes from './save-state.module.css';

/** Where everything entered is: on the server, waiting here, or refused, with the reason. */
export function SaveStateLine() {
  const { toSend, refused, away } = useSaveState();
  if (refused.length > 0)
    return (
      <Popover width={320} position="bottom-end" withArrow>
        <Popover.Target>
          <UnstyledButton className={classes.state} data-state="refused">
            ▲ {refused.length} refused
          </UnstyledButton>
        </Popover.Target>
        <Popover.Dropdown>
          <p>Kept in this browser, but the server does not take:</p>
          <ul>
            {refused.map((row) => (
              <li key={row.order}>
                {row.entry.kind}: {row.refused}
              </li>
            ))}
          </ul>
        </Popover.Dropdown>
      </Popover>
    );
  if (toSend > 0)
    return (
      <span className={classes.state} data-state="waiting" role="status">
        ◐ saved here · {toSend} to send
      </span>
    );
  return (
    <span className={classes.state} data-state={away === null ? 'saved' : 'waiting'} role="status">
      {away === null ? '● saved on the server' : '○ nothing to send'}
    </span>
  );
}

const reasons = {
  'database-away': 'The database cannot be reached.',
  'server-away': 'The server does not answer.',
} as const;

/** Says so while nothing can be stored on the server, and that work may go on. */
export function AwayBanner() {
  const { away } = useSaveState();
  if (away === null) return null;
  return (
    <div className={classes.banner} role="alert">
      <strong>{reasons[away]}</strong> Go on working: what you enter is kept in this browser and sent when it
      is back.
    </div>
  );
}
