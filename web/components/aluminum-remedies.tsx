import {
  aluminumRemedies,
  aluminumRemedyIds,
  type Practice,
  questions,
  type Schools,
} from '@fair-plug/core/knowledge';
import { useWholeWords } from '@/components/whole-words';
import classes from './aluminum-remedies.module.css';

type School = Schools['aluminum'];
const schools: readonly School[] = questions.aluminum;

/** What each school says of each remedy, side by side; the firm's own first. */
export function AluminumRemedies({ practice }: { readonly practice: Practice }) {
  const words = useWholeWords();
  const { remediesFor, remediesNote } = words.screens.findings;
  const held = practice.schools.aluminum;
  const order = [held, ...schools.filter((school) => school !== held)];
  return (
    <div>
      <dt>Remedies</dt>
      <dd>
        <table className={classes.remedies}>
          <thead>
            <tr>
              <th scope="col">{remediesFor}</th>
              {order.map((school) => (
                <th key={school} scope="col">
                  {words.questions.aluminum.views[school].name} school{school === held && ', held here'}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {aluminumRemedyIds.map((id) => {
              const { name, says } = words.remedies[id];
              return (
                <tr key={id}>
                  <th scope="row">{name}</th>
                  {order.map((school) => (
                    <td key={school} data-standing={aluminumRemedies[id].views[school]}>
                      {says[school]}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
        <p>{remediesNote(words.reference('cpsc-516', practice.code))}</p>
      </dd>
    </div>
  );
}
