'use client';

import type { InstrumentId } from '@fair-plug/core/instruments';

import type { ConditionId } from '@fair-plug/core/knowledge';
import { useEffect, useState } from 'react';
import { ask } from '@/local/engine';
import classes from './blind-spots.module.css';
import { useWords } from './region-words';

/** What may still hold at a receptacle that reads correct with every instrument of a bag. */
export function BlindSpots({ bag }: { readonly bag: readonly InstrumentId[] }) {
  const words = useWords();
  const [blind, setBlind] = useState<readonly ConditionId[] | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void ask((engine) => engine.blindSpots(bag)).then((ids) => {
      if (isCurrent) setBlind(ids);
    });
    return () => {
      isCurrent = false;
    };
  }, [bag]);
  if (blind === null) return <p role="status">Working it out …</p>;
  return (
    <ul className={classes.blind}>
      {blind.map((id) => (
        <li key={id}>
          <strong>{words.conditions[id].name}</strong> {words.conditions[id].what}
        </li>
      ))}
    </ul>
  );
}
