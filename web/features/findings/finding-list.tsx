import type { Finding } from '@fair-plug/core/findings';
import { useEffect, useRef } from 'react';
import { useWords } from '@/components/region-words';
import { type Move, SortableList, SortableRow } from '@/components/sortable-list';
import { UrgencyMark } from '@/components/urgency-mark';
import classes from './findings.module.css';

export interface FindingListProps {
  readonly findings: readonly Finding[];
  readonly current: string | null;
  readonly onTake: (key: string) => void;
  /** null for readers. */
  readonly onMove: ((move: Move) => void) | null;
}

const statusWords = { open: 'to decide', accepted: 'accepted', refused: 'refused' } as const;

/** The findings in the order of the report. */
export function FindingList({ findings, current, onTake, onMove }: FindingListProps) {
  const words = useWords();
  const list = useRef<HTMLUListElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: runs when another finding becomes current
  useEffect(() => {
    list.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
  }, [current]);
  return (
    <SortableList
      id="findings"
      thing="finding"
      items={findings.map(({ key, headline }) => ({ id: key, name: headline }))}
      isFixed={onMove === null}
      onMove={(move) => onMove?.(move)}
    >
      <ul className={classes.list} ref={list}>
        {findings.map(({ key, number, headline, urgency, status, isAtOdds, receptacles, flags }) => (
          <SortableRow key={key} id={key} name={headline} isFixed={onMove === null} className={classes.row}>
            <button
              type="button"
              className={classes.take}
              data-status={status}
              aria-current={key === current ? 'true' : undefined}
              onClick={() => onTake(key)}
            >
              <span className={classes.title}>
                {number > 0 && <span className={classes.number}>{number}</span>} {headline}
              </span>
              <span className={classes.line}>
                <UrgencyMark urgency={urgency} />
                <span>{statusWords[status]}</span>
                {receptacles.length > 0 && (
                  <span>
                    {receptacles.length === 1
                      ? receptacles[0]?.name
                      : words.screens.receptacles(receptacles.length)}
                  </span>
                )}
                {isAtOdds === true && <strong>▲ decided both ways</strong>}
                {flags.length > 0 && <strong>▲ changed since</strong>}
              </span>
            </button>
          </SortableRow>
        ))}
      </ul>
    </SortableList>
  );
}
