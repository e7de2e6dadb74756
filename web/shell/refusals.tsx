import { Popover, UnstyledButton } from '@mantine/core';
import type { KeptPhoto, Unsent } from '@/local/tables';
import classes from './save-state.module.css';

export interface RefusalsProps {
  readonly refused: readonly Unsent[];
  readonly photos: readonly KeptPhoto[];
}

/** What the server will never take, each with the reason. */
export function Refusals({ refused, photos }: RefusalsProps) {
  return (
    <Popover width={320} position="bottom-end" withArrow>
      <Popover.Target>
        <UnstyledButton className={classes.state} data-state="refused">
          ▲ {refused.length + photos.length} refused
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
          {photos.map(({ hash, refused: why }) => (
            <li key={hash}>photo: {why}</li>
          ))}
        </ul>
      </Popover.Dropdown>
    </Popover>
  );
}
