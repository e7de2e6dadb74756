import {
  aluminumRemedies,
  aluminumRemedyIds,
  type Practice,
  questions,
  referenceInWords,
  type Schools,
} from '@fair-plug/core/corrections';
import classes from './aluminum-remedies.module.css';

type School = Schools['aluminum'];
const { views } = questions.aluminum;
const schools = Object.keys(views) as School[];

/** What each school says of each remedy, side by side; the firm's own first. */
export function AluminumRemedies({ practice }: { readonly practice: Practice }) {
  const held = practice.schools.aluminum;
  const order = [held, ...schools.filter((school) => school !== held)];
  return (
    <div>
      <dt>Remedies</dt>
      <dd>
        <table className={classes.remedies}>
          <thead>
            <tr>
              <th scope="col">For 10 AWG and thinner</th>
              {order.map((school) => (
                <th key={school} scope="col">
                  {views[school].name} school{school === held && ', held here'}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {aluminumRemedyIds.map((id) => {
              const remedy = aluminumRemedies[id];
              return (
                <tr key={id}>
                  <th scope="row">{remedy.name}</th>
                  {order.map((school) => (
                    <td key={school} data-standing={remedy.views[school].standing}>
                      {remedy.views[school].says}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
        <p>
          {referenceInWords('cpsc-516', practice.code)}: homes wired with it before 1972 were found 55 times
          as likely to have a connection reach fire-hazard condition. Local authority and insurer decide.
          Conductors of 8 AWG and thicker (range, dryer, feeders) are another matter: their terminals are
          checked.
        </p>
      </dd>
    </div>
  );
}
