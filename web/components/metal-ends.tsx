import type { ConductorMetal } from '@fair-plug/core/knowledge';
import classes from './metal-ends.module.css';
import { useWholeWords } from './whole-words';

/** What is silver and what is copper at a cut end: outside, and in the core. */
const ends = {
  aluminum: { outside: 'silver', core: 'silver' },
  'tinned-copper': { outside: 'silver', core: 'copper' },
  'copper-clad': { outside: 'copper', core: 'silver' },
  copper: { outside: 'copper', core: 'copper' },
} as const satisfies Partial<Record<ConductorMetal, object>>;
type Drawn = keyof typeof ends;
const drawn = Object.keys(ends) as readonly Drawn[];

/** Cut ends as they are seen: copper is dotted, silver is plain, so that no colour is needed. */
export function MetalEnds() {
  const words = useWholeWords();
  return (
    <figure className={classes.ends} aria-label="Cut ends">
      {drawn.map((metal) => (
        <div key={metal}>
          <svg viewBox="0 0 64 64" aria-hidden>
            <defs>
              <pattern id={`dots-${metal}`} width="5" height="5" patternUnits="userSpaceOnUse">
                <rect width="5" height="5" className={classes.plain} />
                <circle cx="2.5" cy="2.5" r="1.4" className={classes.dot} />
              </pattern>
            </defs>
            {(['outside', 'core'] as const).map((part) => (
              <circle
                key={part}
                cx="32"
                cy="32"
                r={part === 'outside' ? 27 : 18}
                className={classes.ring}
                fill={ends[metal][part] === 'copper' ? `url(#dots-${metal})` : 'var(--paper-raised)'}
              />
            ))}
          </svg>
          <strong>{words.metals[metal].name}</strong>
          <span>{words.metals[metal].signs}</span>
        </div>
      ))}
      <figcaption>
        Dotted: copper-coloured. Plain: silver. Scrape nothing, and cut nothing: look at an end.{' '}
        {words.metals['not-sure'].signs}
      </figcaption>
    </figure>
  );
}
