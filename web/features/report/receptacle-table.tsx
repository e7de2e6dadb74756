import type { ReportRoom } from '@fair-plug/core/report';
import dayjs from 'dayjs';
import { Triangle } from '@/components/triangle';
import classes from './receptacle-table.module.css';

/** The receptacles of a room: what was read, what it reads as, and the finding it belongs to. */
export function ReceptacleTable({ room }: { readonly room: ReportRoom }) {
  if (room.lines.length === 0) return null;
  return (
    <table className={classes.room}>
      <caption>
        <h3>{room.name}</h3>
      </caption>
      <thead className={classes.unseen}>
        <tr>
          <th scope="col">Lamps</th>
          <th scope="col">Receptacle</th>
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
            <td>{line.verdict?.headline ?? 'Not tested'}</td>
            <td className={classes.finding}>{line.finding !== null && `Finding ${line.finding}`}</td>
            <td className={classes.time}>{line.readAt !== null && dayjs(line.readAt).format('HH:mm')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
