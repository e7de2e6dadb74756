import type { Urgency } from '@fair-plug/core/knowledge';
import { useWords } from '@/components/region-words';
import classes from './urgency-mark.module.css';

/** Told apart by shape and word first: a filled octagon, a half-filled diamond, an empty circle. */
const shape: Readonly<Record<Urgency, React.ReactNode>> = {
  'act-now': (
    <path fill="currentColor" d="M6 1h6l5 5v6l-5 5H6l-5-5V6z" stroke="currentColor" strokeWidth="1.5" />
  ),
  repair: (
    <>
      <path fill="none" d="M9 1l8 8-8 8-8-8z" stroke="currentColor" strokeWidth="2" />
      <path fill="currentColor" d="M9 1v16L1 9z" />
    </>
  ),
  note: <circle cx="9" cy="9" r="7.5" fill="none" stroke="currentColor" strokeWidth="2" />,
};

/** The shape alone, where words beside it say the same. */
export function UrgencyShape({ urgency }: { readonly urgency: Urgency }) {
  return (
    <svg width="16" height="16" viewBox="0 0 18 18" aria-hidden="true">
      {shape[urgency]}
    </svg>
  );
}

export function UrgencyMark({ urgency }: { readonly urgency: Urgency }) {
  const words = useWords();
  return (
    <span className={classes.mark} data-urgency={urgency}>
      <UrgencyShape urgency={urgency} />
      {words.urgencies[urgency]}
    </span>
  );
}
