import type { ReportLine, SurveyRoom } from '@fair-plug/core/report';
import type { Words } from '@fair-plug/core/words';
import { useHouseTime } from '@/components/house-time';
import { RoomMap } from '@/components/room-map';
import { Triangle } from '@/components/triangle';
import { useWholeWords } from '@/components/whole-words';
import classes from './receptacle-table.module.css';

function readsAs({ verdict, notReached }: ReportLine, words: Words): string {
  if (verdict !== null) return words.verdict(verdict).headline;
  return notReached === null ? 'Not tested' : `Not reached: ${words.notReached[notReached].toLowerCase()}`;
}

/** The receptacles of a room: what was read, what it reads as, and the finding it belongs to. */
export function ReceptacleTable({ room }: { readonly room: SurveyRoom<ReportLine> }) {
  const words = useWholeWords();
  const time = useHouseTime();
  if (room.lines.length === 0) return null;
  return (
    <div className={classes.withMap}>
      <table className={classes.room}>
        <caption>
          <h3>{room.name}</h3>
        </caption>
        <thead className={classes.unseen}>
          <tr>
            <th scope="col">Lamps</th>
            <th scope="col">{words.screens.receptacle}</th>
            <th scope="col">Reads as</th>
            <th scope="col">Finding</th>
            <th scope="col">Time</th>
          </tr>
        </thead>
        <tbody>
          {room.lines.map((line) => (
            <tr key={line.id}>
              <td className={classes.triangle}>
                <Triangle lamps={line.lamps} corners={line.verdict?.contacts} size={20} />
              </td>
              <th scope="row">{line.name}</th>
              <td>
                {readsAs(line, words)}
                {line.isDoubted && <strong> In doubt: the tester failed afterwards.</strong>}
                {line.refused !== null && <p className={classes.note}>Judged no finding: {line.refused}</p>}
                {line.notes.map((note) => (
                  <p key={note} className={classes.note}>
                    {note}
                  </p>
                ))}
              </td>
              <td className={classes.finding}>
                {line.findings.length > 0 &&
                  `${line.findings.length > 1 ? 'Findings' : 'Finding'} ${line.findings.join(', ')}`}
              </td>
              <td className={classes.time}>{line.readAt !== null && time(line.readAt, 'HH:mm')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className={classes.map}>
        <RoomMap
          name={room.name}
          door={room.door}
          marks={room.lines.map(({ id, name, spot, lamps, verdict, hasFinding }) => ({
            id,
            name,
            spot,
            lamps,
            corners: verdict?.contacts,
            hasFinding,
          }))}
        />
      </div>
    </div>
  );
}
