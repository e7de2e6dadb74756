import { type ReactNode, useEffect, useState } from 'react';
import { storeName } from '@/local/identity';
import { useLocal } from '@/local/local-store';
import classes from './explained.module.css';
import { TextButton } from './text-button';

export interface Explanation {
  readonly isOpen: boolean;
  /** Somebody asked for it: it is not open by itself, for being seen the first time. */
  readonly isAsked: boolean;
  readonly toggle: () => void;
}

/** What is explained the first time that somebody sees it in this browser, once, and again when they ask. */
export function useExplanation(what: string): Explanation {
  const { identity } = useLocal();
  const name = `${storeName(identity)} explained ${what}`;
  const [shown, setShown] = useState<'first' | 'asked' | 'closed'>(() =>
    localStorage.getItem(name) === null ? 'first' : 'closed',
  );
  useEffect(() => {
    try {
      localStorage.setItem(name, 'seen');
    } catch {
      // No room left: it is explained once more.
    }
  }, [name]);
  return {
    isOpen: shown !== 'closed',
    isAsked: shown === 'asked',
    toggle: () => setShown((before) => (before === 'closed' ? 'asked' : 'closed')),
  };
}

export interface ExplainedProps {
  readonly explanation: Explanation;
  /** "the triangle" */
  readonly what: string;
  readonly children: ReactNode;
}

/** The explanation itself, while it is open. */
export function Explained({ explanation, what, children }: ExplainedProps) {
  if (!explanation.isOpen) return null;
  return (
    <aside className={classes.note}>
      <p>{children}</p>
      <TextButton aria-label={`Got it: ${what}`} onClick={explanation.toggle}>
        Got it
      </TextButton>
    </aside>
  );
}

/** Asks for it. */
export function AskWhat({
  explanation,
  what,
}: {
  readonly explanation: Explanation;
  /** "the triangle" */
  readonly what: string;
}) {
  return (
    <button
      type="button"
      className={classes.ask}
      aria-label={`What is ${what}?`}
      aria-expanded={explanation.isOpen}
      onClick={explanation.toggle}
    >
      <span aria-hidden>?</span>
    </button>
  );
}
