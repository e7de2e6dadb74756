import { gridIn } from '@fair-plug/core/exchange';
import { measuredAt } from '@fair-plug/core/findings';
import { heatOf, heavyLoads } from '@fair-plug/core/knowledge';
import { type HotSpot, hotSpotsOf, type JobStatement } from '@fair-plug/core/log';
import { Button, Checkbox, FileInput } from '@mantine/core';
import { useState } from 'react';
import { v7 } from 'uuid';
import { ChoiceKeys } from '@/components/choice-keys';
import { SavedNumber, SavedText } from '@/components/saved-fields';
import { ThermalPicture } from '@/components/thermal-picture';
import { useWholeWords } from '@/components/whole-words';
import { UnitSelect } from './dimmer-and-lampholder';
import { PartPhotos } from './part-photos';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

type Measured = Omit<Extract<JobStatement, { kind: 'hot-spot-measured' }>, 'kind' | 'spot'>;

/** Spots that are looked at for heat: what runs meanwhile, what was measured, and what it comes to. */
export function HeatSheet({ job, house, walk, onClose }: SheetProps) {
  const spots = hotSpotsOf(house);
  const [chosen, setChosen] = useState<string | null>(null);
  const spot = spots.find(({ id }) => id === chosen) ?? null;
  const add = (): void => {
    const id = v7();
    const where = `Spot ${spots.length + 1}`;
    walk.record.ofHouse(`+ ${where}`, { kind: 'hot-spot-measured', spot: id, where });
    setChosen(id);
  };
  return (
    <div className={classes.sheet}>
      <LoadPlan house={house} walk={walk} />
      {spots.length > 0 && (
        <ChoiceKeys
          legend="Spots"
          choices={spots.map(({ id, where }) => [id, where ?? ''] as const)}
          chosen={(id) => id === chosen}
          onChoose={setChosen}
        />
      )}
      <Button variant="default" onClick={add}>
        + Spot
      </Button>
      {spot !== null && <OneSpot key={spot.id} job={job} house={house} spot={spot} walk={walk} />}
      <Button onClick={onClose}>Done</Button>
    </div>
  );
}

/** What is switched on before anybody looks: little shows without load. */
function LoadPlan({ house, walk }: Pick<SheetProps, 'house' | 'walk'>) {
  const { parts } = useWholeWords();
  const plan = house.parts?.loadPlan ?? [];
  const agreedBy = plan.find((one) => one.agreedBy !== undefined)?.agreedBy ?? null;
  return (
    <section className={classes.part} aria-label="Load before the look">
      <h3>Load before the look</h3>
      <p className={classes.soft}>
        Heat shows under load: these run for a while first, with leave of whoever lives there.
      </p>
      <div className={classes.row}>
        {heavyLoads.map((load) => (
          <Checkbox
            key={load}
            label={parts.heavyLoads[load]}
            checked={plan.some((one) => one.load === load)}
            onChange={(event) =>
              walk.record.ofHouse(parts.heavyLoads[load], {
                kind: 'load-planned',
                load,
                planned: event.currentTarget.checked,
                ...(agreedBy === null ? {} : { agreedBy }),
              })
            }
          />
        ))}
      </div>
      {plan.length > 0 && (
        <SavedText
          label="Agreed by"
          longest={80}
          value={agreedBy}
          onSave={(name) =>
            walk.record.ofHouse('Load: agreed', (standing) =>
              (standing.house.parts?.loadPlan ?? []).map(
                ({ load }): JobStatement => ({
                  kind: 'load-planned',
                  load,
                  planned: true,
                  ...(name === null ? {} : { agreedBy: name }),
                }),
              ),
            )
          }
        />
      )}
    </section>
  );
}

interface OneSpotProps extends Pick<SheetProps, 'job' | 'house' | 'walk'> {
  readonly spot: HotSpot;
}

function OneSpot({ job, house, spot, walk }: OneSpotProps) {
  const { where = '', unit = 'C' } = spot;
  const measure = (said: Measured, words = `${where}: measured`): void =>
    walk.record.ofHouse(words, { kind: 'hot-spot-measured', spot: spot.id, ...said });
  const degrees = (label: string, field: 'degrees' | 'similar' | 'ambient') => (
    <SavedNumber
      label={label}
      suffix={` °${unit}`}
      least={-80}
      most={3000}
      isDecimal
      value={spot[field] ?? null}
      onSave={(to) => measure({ [field]: to, unit })}
    />
  );
  return (
    <section className={classes.part} aria-label={where}>
      <div className={classes.fields}>
        <SavedText
          label="Where"
          placeholder="Breaker 7, upper screw"
          longest={80}
          value={where}
          onSave={(to) => to !== null && measure({ where: to }, to)}
        />
        <UnitSelect unit={unit} onChange={(to) => measure({ unit: to })} />
        {degrees('This spot', 'degrees')}
        {degrees('A similar one', 'similar')}
        {degrees('The air', 'ambient')}
        <SavedNumber
          label="Load then"
          suffix=" A"
          least={0}
          most={1000}
          isDecimal
          value={spot.loadAmps ?? null}
          onSave={(to) => measure({ loadAmps: to })}
        />
        <SavedNumber
          label="Emissivity set"
          least={0.01}
          most={1}
          isDecimal
          value={spot.emissivity ?? null}
          onSave={(to) => measure({ emissivity: to })}
        />
      </div>
      <div className={classes.row}>
        <Checkbox
          label="Above the range of the camera"
          checked={spot.aboveRange === true}
          onChange={(event) => measure({ aboveRange: event.currentTarget.checked })}
        />
        <Checkbox
          label="Bare metal"
          checked={spot.bareMetal === true}
          onChange={(event) => measure({ bareMetal: event.currentTarget.checked })}
        />
      </div>
      <Judged spot={spot} />
      <PictureOf spot={spot} walk={walk} />
      <PartPhotos job={job} house={house} of="hot-spot" about={spot.id} name={where} />
      <Button variant="subtle" onClick={() => measure({ gone: true }, `${where}: taken off`)}>
        Take off
      </Button>
    </section>
  );
}

/** Which class it falls into, by which criterion. */
function Judged({ spot }: { readonly spot: HotSpot }) {
  const { parts, rules } = useWholeWords();
  const measured = measuredAt(spot);
  const judged = heatOf(measured);
  return (
    <div role="status">
      {judged !== null && (
        <p className={judged.heat === 'major' ? classes.strong : classes.caution}>
          {`${parts.heat[judged.heat]}. ${rules.hotSpotMeasured({
            ...judged,
            degrees: measured.degrees,
            unit: measured.unit,
            aboveRange: measured.aboveRange,
            amps: spot.loadAmps ?? null,
          })}`}
        </p>
      )}
      {spot.bareMetal === true && <p className={classes.caution}>{parts.bareMetal}</p>}
    </div>
  );
}

/** Temperatures of a camera, read from a file and drawn. */
function PictureOf({ spot, walk }: Pick<OneSpotProps, 'spot' | 'walk'>) {
  const words = useWholeWords();
  const [problem, setProblem] = useState<string | null>(null);
  const read = async (file: File | null): Promise<void> => {
    setProblem(null);
    if (file === null) return;
    const grid = await gridIn(file);
    if (grid.kind === 'refused') {
      setProblem(words.gridProblem(grid.problem));
      return;
    }
    const { unit, columns, temperatures } = grid.picture;
    walk.record.ofHouse(`${spot.where ?? ''}: thermal picture`, {
      kind: 'thermal-picture-read',
      spot: spot.id,
      unit,
      columns,
      temperatures: [...temperatures],
    });
  };
  return (
    <>
      <FileInput
        label="Temperatures as CSV"
        description="A header that names C or F, then rows of numbers."
        accept=".csv,.txt,text/csv"
        error={problem}
        value={null}
        onChange={(file) => void read(file)}
      />
      {spot.picture !== undefined && <ThermalPicture picture={spot.picture} name={spot.where ?? ''} />}
    </>
  );
}
