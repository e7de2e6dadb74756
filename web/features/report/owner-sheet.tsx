import type { OwnerPage } from '@fair-plug/core/report';
import { UrgencyShape } from '@/components/urgency-mark';
import classes from './owner-sheet.module.css';

/** So many findings are told in full on one page; of more, each is a line. */
const mostInFull = 9;

/** One page for the owner, in their language. */
export function OwnerSheet({ page }: { readonly page: OwnerPage }) {
  return (
    <section
      className={classes.page}
      lang={page.language}
      aria-label={page.title}
      data-long={page.groups.reduce((sum, { items }) => sum + items.length, 0) > mostInFull}
    >
      <h2>{page.title}</h2>
      {page.groups.map(({ urgency, heading, lead, none, items }) => (
        <div key={urgency} className={classes.group} data-urgency={urgency}>
          <h3>
            {items.length > 0 && <UrgencyShape urgency={urgency} />} {heading}
          </h3>
          {items.length === 0 ? (
            <p className={classes.soft}>{none}</p>
          ) : (
            <>
              <p className={classes.soft}>{lead}</p>
              <ol className={classes.items}>
                {items.map((item) => (
                  <li key={item.number} value={item.number}>
                    <strong>{item.headline}</strong>
                    {item.where !== '' && <span className={classes.where}> – {item.where}</span>}
                    <p>
                      {item.why} <span className={classes.soft}>({item.who})</span>
                    </p>
                  </li>
                ))}
              </ol>
            </>
          )}
        </div>
      ))}
      {[page.fine, page.unseen].map(({ heading, words }) => (
        <div key={heading} className={classes.group}>
          <h3>{heading}</h3>
          {words.map((one) => (
            <p key={one}>{one}</p>
          ))}
        </div>
      ))}
      <p className={classes.closing}>{page.closing}</p>
    </section>
  );
}
