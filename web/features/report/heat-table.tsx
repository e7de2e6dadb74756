import type { SectionData } from '@fair-plug/core/report';
import { ThermalPicture } from '@/components/thermal-picture';
import { useWholeWords } from '@/components/whole-words';
import classes from './report-sheet.module.css';

/** Spots that were looked at for heat, as they were measured, with their class and their pictures. */
export function Heat({ spots, plan }: SectionData<'heat'>) {
  const { parts, rules } = useWholeWords();
  const agreed = [...new Set(plan.flatMap(({ agreedBy }) => agreedBy ?? []))];
  return (
    <>
      {plan.length > 0 && (
        <p>
          Running meanwhile: {plan.map(({ load }) => parts.heavyLoads[load].toLowerCase()).join(', ')}
          {agreed.length > 0 && `, agreed by ${agreed.join(', ')}`}.
        </p>
      )}
      {spots.map(({ spot, measured, judged, hottest }) => (
        <div key={spot.id} className={classes.spot}>
          <h3>{spot.where ?? parts.panel}</h3>
          <p>
            {judged === null
              ? 'Nothing to compare it with: no class.'
              : `${parts.heat[judged.heat]}. ${rules.hotSpotMeasured({
                  ...judged,
                  degrees: measured.degrees,
                  unit: measured.unit,
                  aboveRange: measured.aboveRange,
                  amps: spot.loadAmps ?? null,
                })}`}{' '}
            {typedOf(spot)}
          </p>
          {spot.bareMetal === true && <p>{parts.bareMetal}</p>}
          {spot.picture !== undefined && (
            <>
              <ThermalPicture picture={spot.picture} name={spot.where ?? parts.panel} />
              {hottest !== null && (
                <p>
                  Hottest: {hottest.degrees} °{spot.picture.unit}, of {spot.picture.temperatures.length}{' '}
                  points.
                </p>
              )}
            </>
          )}
        </div>
      ))}
    </>
  );
}

/** The figures as they were typed. */
function typedOf({
  similar,
  ambient,
  emissivity,
  unit = 'C',
}: SectionData<'heat'>['spots'][number]['spot']): string {
  const said = [
    ['similar', similar],
    ['air', ambient],
  ] as const;
  const typed = said.flatMap(([name, value]) =>
    typeof value === 'number' ? [`${name} ${value} °${unit}`] : [],
  );
  const rest = [...typed, ...(typeof emissivity === 'number' ? [`emissivity ${emissivity}`] : [])];
  return rest.length === 0 ? '' : `Beside it: ${rest.join(', ')}.`;
}
