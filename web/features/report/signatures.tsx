import type { House } from '@fair-plug/core/log';
import { useHouseTime } from '@/components/house-time';
import { useWholeWords } from '@/components/whole-words';
import classes from './signatures.module.css';

const roles = { inspector: 'Inspector', client: 'Client' } as const;

/** The strokes of a signature as the path of a drawing a thousand wide. */
const pathOf = (strokes: readonly (readonly number[])[]): string =>
  strokes
    .map((stroke) => {
      const points: string[] = [];
      for (let at = 0; at + 1 < stroke.length; at += 2) points.push(`${stroke[at]} ${stroke[at + 1]}`);
      // A single point is drawn as a dot.
      return `M${points.join('L')}${points.length === 1 ? 'h1' : ''}`;
    })
    .join('');

export function Signatures({ house: { signatures, changedSince = {} } }: { readonly house: House }) {
  const words = useWholeWords();
  const time = useHouseTime();
  return (
    <div className={classes.signatures}>
      {(['inspector', 'client'] as const).map((role) => {
        const signed = signatures.find((one) => one.role === role);
        const changed = changedSince[role];
        return (
          <figure key={role} className={classes.signature}>
            <svg
              viewBox="0 0 1000 320"
              role="img"
              aria-label={signed === undefined ? 'not signed' : `Signature of ${signed.name}`}
            >
              {signed !== undefined && <path d={pathOf(signed.strokes)} className={classes.stroke} />}
              <path d="M0 300h1000" className={classes.line} />
            </svg>
            <figcaption>
              {roles[role]}
              {signed !== undefined &&
                `: ${words.report.signed(signed.name, time(signed.at, 'D MMMM YYYY'))}`}
              {changed !== undefined && (
                <strong className={classes.changed}>
                  {words.report.changedSince(time(changed, 'D MMMM YYYY, HH:mm'))}
                </strong>
              )}
            </figcaption>
          </figure>
        );
      })}
    </div>
  );
}
