import { groundFaultResult, type HazardId } from '@fair-plug/core/assessment';
import { isGroundFaultType } from '@fair-plug/core/knowledge';
import {
  type House,
  inOrder,
  type JobStatement,
  latestWith,
  receptaclesOf,
  whereIs,
} from '@fair-plug/core/log';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { DeadPicker, toggled } from '@/components/dead-picker';
import { useWords } from '@/components/region-words';

import { ProtectionNotes } from './protection-notes';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';
import { longestSeconds, useHeldButton } from './use-held-button';

/** A ground-fault test at the current receptacle: the button, what went dead, and that the power is back. */
export function GroundFaultSheet(props: SheetProps) {
  const words = useWords();
  const { walk, house } = props;
  const [isTripped, setTripped] = useState(false);
  const latest = walk.here.receptacle?.groundFaultTests.at(-1);
  return (
    <div className={classes.sheet}>
      {isTripped ? (
        <AfterTrip {...props} />
      ) : (
        <>
          <p className={classes.caution}>{words.cautions['ground-fault-test']}</p>
          {house.keepPowered.length > 0 && (
            <p className={classes.strong}>Must not lose power: {house.keepPowered.join(', ')}.</p>
          )}
          <TesterButton
            walk={walk}
            hazard={props.hazardOf('gfci-button')}
            onTripped={() => setTripped(true)}
          />
          <OwnButton walk={walk} onTripped={() => setTripped(true)} />
          {latest !== undefined && (
            <p>
              <strong>Last try:</strong>{' '}
              {words.groundFault[groundFaultResult(latest, walk.shown.verdict).code]}
            </p>
          )}
          <ProtectionNotes walk={walk} />
        </>
      )}
    </div>
  );
}

interface ButtonProps {
  readonly walk: SheetProps['walk'];
  readonly onTripped: () => void;
}

const tested = (
  name: string,
  walk: SheetProps['walk'],
  by: 'tester-button' | 'own-button',
  result: 'tripped' | 'no-trip' | 'power-stays-on' | 'no-power',
  heldSeconds?: number,
): void =>
  walk.record.statement(
    (receptacle) => [
      {
        kind: 'ground-fault-tested',
        receptacle,
        by,
        result,
        ...(heldSeconds === undefined ? {} : { heldSeconds }),
      },
    ],
    `Recorded: ${walk.here.name}, ${name}, ${result.replaceAll('-', ' ')}`,
  );

/** What no reading here can clear: the button is not offered at all. */
const ruleItOut: readonly HazardId[] = ['lost-neutral', 'instrument-in-doubt'];

/** The tester's button needs a ground, and lamps that read correct first. */
function TesterButton({ walk, hazard, onTripped }: ButtonProps & { readonly hazard: HazardId | null }) {
  const words = useWords();
  const held = useHeldButton();
  const isAllowed =
    walk.shown.verdict?.plain === true &&
    !walk.shown.isDraft &&
    walk.shown.verdict.contacts.ground !== 'live' &&
    (hazard === null || !ruleItOut.includes(hazard));
  const finish = (result: 'tripped' | 'no-trip'): void => {
    tested(words.screens.walk.groundFaultTest, walk, 'tester-button', result, held.end());
    if (result === 'tripped') onTripped();
  };
  if (!isAllowed)
    return (
      <p className={classes.caution}>
        {walk.shown.verdict === null && 'Read the lamps first. '}
        {hazard !== null && ruleItOut.includes(hazard) && `${words.screens.walk.hazards[hazard]} `}
        {`${words.cautions['button-needs-ground']} Use the device’s own button.`}
      </p>
    );
  if (!held.isHeld)
    return (
      <section className={classes.part} aria-label="Tester’s button">
        <h3>Tester’s button</h3>
        {hazard !== null && <p className={classes.strong}>{words.screens.walk.hazards[hazard]}</p>}
        <Button
          size="lg"
          variant={hazard === null ? 'filled' : 'default'}
          onClick={held.begin}
          data-autofocus={hazard === null ? true : undefined}
        >
          I press and hold it now
        </Button>
      </section>
    );
  return (
    <section className={classes.part} aria-label="Tester’s button">
      <p className={classes.timer} role="timer">
        {Math.min(held.seconds ?? 0, longestSeconds).toFixed(1)} <small>s of {longestSeconds}</small>
      </p>
      {held.isTooLong && (
        <p className={classes.strong} role="alert">
          {longestSeconds} s: let go. It did not trip.
        </p>
      )}
      <div className={classes.pair}>
        <Button onClick={() => finish('tripped')}>Tripped: all lamps out</Button>
        <Button variant="default" onClick={() => finish('no-trip')}>
          Did not trip
        </Button>
      </div>
    </section>
  );
}

function OwnButton({ walk, onTripped }: ButtonProps) {
  const words = useWords();
  const choose = (result: 'tripped' | 'power-stays-on' | 'no-power'): void => {
    tested(words.screens.walk.groundFaultTest, walk, 'own-button', result);
    if (result === 'tripped') onTripped();
  };
  return (
    <section className={classes.part} aria-label="Device’s own button">
      <h3>Device’s own button</h3>
      <div className={classes.row}>
        <Button variant="default" onClick={() => choose('tripped')}>
          It trips
        </Button>
        <Button variant="default" onClick={() => choose('power-stays-on')}>
          Nothing, power stays
        </Button>
        <Button variant="default" onClick={() => choose('no-power')}>
          No power at it
        </Button>
      </div>
    </section>
  );
}

/**
 * What is dead behind one of the devices, as it was tapped since the test at a receptacle; before anything was tapped,
 * what was found behind it at an earlier test, and the receptacle itself.
 */
function deadSince(house: House, here: string, devices: readonly string[]): readonly string[] {
  const test = whereIs(house, here)?.receptacle.groundFaultTests.at(-1);
  const ofDevices = house.wentDead.filter(
    ({ by }) => by.kind === 'device' && devices.includes(by.receptacle),
  );
  const tapped = ofDevices.findLast((entry) => test !== undefined && inOrder(entry, test) > 0);
  return tapped?.dead ?? [...new Set([...(ofDevices.at(-1)?.dead ?? []), here])];
}

/** Which receptacles went dead with it, where its reset is, and that the power is back. */
function AfterTrip({ walk, house, onClose }: SheetProps) {
  const words = useWords();
  const here = walk.here.receptacle?.id ?? '';
  /** Where the reset was said to be, the latest last. */
  const [sources, setSources] = useState<readonly string[]>([here]);
  const by = sources.at(-1) ?? here;
  const devices = receptaclesOf(house).filter(
    ({ id, type }) => id === here || (type !== null && isGroundFaultType(type)),
  );
  const source = { kind: 'device' as const, receptacle: by };
  /** What must be said so that the device's list is as it is shown: an entry for each that differs. */
  const lost = ({ wentDead }: House, dead: readonly string[]): readonly JobStatement[] => {
    const known = latestWith(wentDead, source)?.dead ?? [];
    return [...new Set([...known, ...dead])]
      .filter((id) => known.includes(id) !== dead.includes(id) || isTrippedAnew(wentDead))
      .map((outlet) => ({ kind: 'lost-power', by: source, outlet, lost: dead.includes(outlet) }));
  };
  /** Its power was back before this test. */
  const isTrippedAnew = (wentDead: House['wentDead']): boolean =>
    latestWith(wentDead, source)?.powerBack === true;
  // Each is an entry at once: until it is said that the power is back, it is not.
  const toggle = (id: string): void =>
    walk.record.ofHouse(`${walk.here.name}: dead with it`, ({ house: standing }) =>
      lost(standing, toggled(deadSince(standing, here, sources), id)),
    );
  const finish = (powerBack: boolean): void => {
    walk.record.ofHouse(
      powerBack ? `${walk.here.name}: power is back` : `${walk.here.name}: power is NOT back`,
      (standing) => [
        ...lost(standing.house, deadSince(standing.house, here, sources)),
        { kind: 'power-restored', by: source, restored: powerBack },
        ...(by === here
          ? []
          : [
              {
                kind: 'protection-noted' as const,
                receptacle: here,
                resetAt: whereIs(standing.house, by)?.receptacle.name ?? null,
              },
            ]),
      ],
    );
    onClose();
  };
  return (
    <>
      <p>
        <strong>Tripped.</strong> {words.screens.walk.whichAreDead} Then reset it and see that the power is
        back.
      </p>
      <DeadPicker house={house} dead={deadSince(house, here, sources)} onToggle={toggle} />
      {devices.length > 1 && (
        <div className={classes.row}>
          <span>Its reset is at</span>
          {devices.map(({ id, name }) => (
            <Button
              key={id}
              variant={id === by ? 'filled' : 'default'}
              aria-pressed={id === by}
              onClick={() => setSources([...sources, id])}
            >
              {name}
            </Button>
          ))}
        </div>
      )}
      <div className={classes.pair}>
        <Button onClick={() => finish(true)} data-autofocus>
          Power is back
        </Button>
        <Button variant="default" onClick={() => finish(false)}>
          Will not reset
        </Button>
      </div>
    </>
  );
}
