import { type Era, type EraLane, eraLanes, eras, type HouseYear } from '@fair-plug/core/knowledge';
import { useWholeWords } from '@/components/whole-words';
import classes from './era-time-line.module.css';

const first = 1900;
const last = 2030;
const drawing = { left: 118, right: 12, width: 820, row: 19, gap: 9, top: 62 } as const;

const isRule = ({ lane }: Era): boolean => lane === 'ground-fault' || lane === 'arc-fault';

/** Every era has a row of its own; the rules of a lane share one. */
const rowsOf = (inLane: readonly Era[]): number => (inLane.some(isRule) ? 1 : inLane.length);

const lanes = eraLanes.map((id) => ({ id, eras: eras.filter(({ lane }) => lane === id) }));
const topOf = (index: number): number =>
  lanes
    .slice(0, index)
    .reduce<number>((top, lane) => top + rowsOf(lane.eras) * drawing.row + drawing.gap, drawing.top);
const height = topOf(lanes.length) + 22;

const xOf = (year: number): number =>
  drawing.left +
  ((Math.min(Math.max(year, first), last) - first) / (last - first)) *
    (drawing.width - drawing.left - drawing.right);

/** Labels of years that lie close stand one below the other. */
const labelY = (index: number): number => 16 + (index % 3) * 15;

/** Eras of wiring, metals, grounds and rules, with the years of this house across them. */
export function EraTimeLine({ years }: { readonly years: readonly HouseYear[] }) {
  const isThen = (era: Era): boolean =>
    years.some(({ year }) => year >= era.from && (era.to === null || year <= era.to));
  const described = years.map(({ year, what }) => `${what ?? 'built'} ${year}`).join(', ');
  return (
    <figure className={classes.figure}>
      <EraList years={years} isThen={isThen} />
      <svg
        className={classes.line}
        viewBox={`0 0 ${drawing.width} ${height}`}
        role="img"
        aria-label={`Time line from ${first} to today${described === '' ? '' : `; this house: ${described}`}`}
      >
        {[1900, 1920, 1940, 1960, 1980, 2000, 2020].map((year) => (
          <g key={year}>
            <line
              className={classes.grid}
              x1={xOf(year)}
              x2={xOf(year)}
              y1={drawing.top - 6}
              y2={height - 20}
            />
            <text className={classes.tick} x={xOf(year)} y={height - 6}>
              {year}
            </text>
          </g>
        ))}
        {lanes.map(({ id, eras: inLane }, index) => (
          <Spans key={id} eras={inLane} top={topOf(index)} isThen={isThen} />
        ))}
        {years.map(({ year, what }, index) => (
          <line
            key={`${year} ${what}`}
            className={what === null ? classes.built : classes.altered}
            x1={xOf(year)}
            x2={xOf(year)}
            y1={labelY(index) + 4}
            y2={height - 20}
          />
        ))}
        {lanes.map(({ id, eras: inLane }, index) => (
          <Names key={id} lane={id} eras={inLane} top={topOf(index)} isThen={isThen} />
        ))}
        {years.map(({ year, what }, index) => (
          <text
            key={`${year} ${what}`}
            className={classes.year}
            x={xOf(year)}
            y={labelY(index)}
            textAnchor={xOf(year) > drawing.width * 0.62 ? 'end' : 'start'}
          >
            {year} {what ?? 'built'}
          </text>
        ))}
      </svg>
    </figure>
  );
}

const shareOf = (year: number): number =>
  (100 * (Math.min(Math.max(year, first), last) - first)) / (last - first);

/** The same for a phone: an era a line, its years as a bar below its name, those of this house across it. */
function EraList({
  years,
  isThen,
}: {
  readonly years: readonly HouseYear[];
  readonly isThen: (era: Era) => boolean;
}) {
  const words = useWholeWords();
  return (
    <div className={classes.list}>
      {lanes.map(({ id, eras: inLane }) => (
        <section key={id}>
          <h3>{words.eraLanes[id]}</h3>
          {inLane.map((era) => (
            <p key={era.id} data-then={isThen(era)}>
              <span>
                {words.eras[era.id].name}{' '}
                <small>{isRule(era) ? `from ${era.from}` : `${era.from}–${era.to ?? 'today'}`}</small>
              </span>
              <span className={classes.track}>
                <span
                  style={{
                    left: `${shareOf(era.from)}%`,
                    right: `${100 - shareOf(era.to ?? last)}%`,
                  }}
                />
                {years.map(({ year, what }) => (
                  <i key={`${year} ${what}`} style={{ left: `${shareOf(year)}%` }} />
                ))}
              </span>
            </p>
          ))}
        </section>
      ))}
      <p>
        <small>
          {first} to today; the strokes are this house:{' '}
          {years.map(({ year, what }) => `${year} ${what ?? 'built'}`).join(', ') ||
            'its years are not known'}
          .
        </small>
      </p>
    </div>
  );
}

interface LaneProps {
  readonly eras: readonly Era[];
  readonly top: number;
  readonly isThen: (era: Era) => boolean;
}

/** An era's place in its lane; what is too short for its name has it behind. */
function spanOf({ from, to }: Era, row: number, top: number) {
  const x = xOf(from);
  const width = xOf(to ?? last) - x;
  return { x, y: top + row * drawing.row, width, holdsName: width > 170 };
}

function Spans({ eras: inLane, top, isThen }: LaneProps) {
  const words = useWholeWords();
  return inLane.map((era, row) => {
    if (isRule(era))
      return (
        <circle
          key={era.id}
          className={classes.rule}
          data-then={isThen(era)}
          cx={xOf(era.from)}
          cy={top + 9}
          r={4}
        >
          <title>{`${era.from}: ${words.eras[era.id].name}`}</title>
        </circle>
      );
    const { x, y, width } = spanOf(era, row, top);
    return (
      <rect
        key={era.id}
        className={classes.span}
        data-then={isThen(era)}
        x={x}
        y={y}
        width={width}
        height={drawing.row - 3}
      >
        <title>{`${words.eras[era.id].name}, ${era.from} to ${era.to ?? 'today'}`}</title>
      </rect>
    );
  });
}

function Names({ lane, eras: inLane, top, isThen }: LaneProps & { readonly lane: EraLane }) {
  const words = useWholeWords();
  return (
    <>
      <text className={classes.lane} x={0} y={top + 13}>
        {words.eraLanes[lane]}
      </text>
      {inLane.map((era, row) => {
        if (isRule(era)) return null;
        const { x, y, width, holdsName } = spanOf(era, row, top);
        return (
          <text
            key={era.id}
            className={classes.name}
            data-on={holdsName && isThen(era)}
            x={holdsName ? x + 6 : x + width + 6}
            y={y + 12}
          >
            {words.eras[era.id].name}
          </text>
        );
      })}
    </>
  );
}
