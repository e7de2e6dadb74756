import { adapterTabs, typesIn } from '@fair-plug/core/knowledge';
import { currentLamps, roomRedescribed } from '@fair-plug/core/log';
import { Button, Checkbox } from '@mantine/core';
import { useState } from 'react';
import { ChoiceKeys } from '@/components/choice-keys';
import { useRegion, useWords } from '@/components/region-words';
import { RoomMap } from '@/components/room-map';
import { SavedSlider } from '@/components/saved-fields';
import { useWholeWords } from '@/components/whole-words';
import { FeedForm } from '../feed-form';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** What kind of receptacle it is, where on the walls, and what feeds it. */
export function KindSheet({ walk, onClose }: SheetProps) {
  const words = useWords();
  const whole = useWholeWords();
  const { receptacle, room, name, type } = walk.here;
  const region = useRegion();
  if (room === null) return null;
  return (
    <div className={classes.sheet}>
      <ChoiceKeys
        legend="Kind"
        isNumbered
        choices={typesIn[region].map((one) => [one, words.receptacleTypes[one]] as const)}
        chosen={(one) => one === type}
        onChoose={(one) =>
          walk.record.fields({ type: one }, `${name}: ${words.receptacleTypes[one].toLowerCase()}`)
        }
      />
      {region === 'north-america' && (
        <Checkbox
          label="A three-to-two adapter is in use"
          description={words.screens.walk.adapter}
          checked={receptacle?.adapter ?? false}
          onChange={(event) =>
            walk.record.fields({ adapter: event.currentTarget.checked }, `${name}: adapter`)
          }
        />
      )}
      {receptacle?.adapter === true && (
        <ChoiceKeys
          legend="Its tab, measured"
          choices={adapterTabs.map((one) => [one, whole.parts.adapterTabs[one]] as const)}
          chosen={(one) => one === receptacle.adapterTab}
          onChoose={(one) =>
            walk.record.fields({ adapterTab: one }, `${name}: ${whole.parts.adapterTabs[one].toLowerCase()}`)
          }
        />
      )}
      <OnTheWalls walk={walk} room={room} />
      <section className={classes.part} aria-label="What feeds it">
        <h3>What feeds it</h3>
        <FeedForm
          key={`${receptacle?.id} ${receptacle?.breaker} ${receptacle?.place}`}
          breaker={receptacle?.breaker ?? null}
          place={receptacle?.place ?? null}
          onFeed={(breaker, place) =>
            walk.record.statement(
              (id) => [{ kind: 'receptacle-fed', receptacle: id, breaker, place }],
              breaker === null ? `${name}: breaker not known` : `${name} is on breaker ${breaker}`,
            )
          }
        />
      </section>
      <Button onClick={onClose}>Done</Button>
    </div>
  );
}

interface OnTheWallsProps extends Pick<SheetProps, 'walk'> {
  readonly room: NonNullable<SheetProps['walk']['here']['room']>;
}

/** Where on the walls it is, and the door. */
function OnTheWalls({ walk, room }: OnTheWallsProps) {
  const words = useWords();
  const { receptacle, name } = walk.here;
  const [sliding, setSliding] = useState<number | null>(null);
  const spot = sliding ?? receptacle?.spot ?? walk.here.nextSpot;
  return (
    <section className={classes.part} aria-label="Place on the walls">
      <h3>Place on the walls</h3>
      <RoomMap
        name={room.name}
        door={room.door}
        currentPlace={receptacle?.id ?? null}
        next={receptacle === null ? spot : null}
        marks={room.receptacles.map((one) => ({
          id: one.id,
          name: one.name,
          spot: one.id === receptacle?.id ? spot : one.spot,
          lamps: currentLamps(one),
          hasFinding: false,
        }))}
      />
      <SavedSlider
        thumbLabel="Place, clockwise from the corner at the top left"
        label={null}
        min={0}
        max={0.99}
        step={0.01}
        value={receptacle?.spot ?? walk.here.nextSpot ?? 0}
        onSlide={setSliding}
        onSave={(to) => walk.record.fields({ spot: to }, `Placed: ${name}`)}
      />
      <SavedSlider
        thumbLabel="Door, clockwise from the corner at the top left"
        label={() => 'Door'}
        min={0}
        max={0.99}
        step={0.01}
        value={room.door}
        onSave={(door) =>
          walk.record.ofHouse(`${room.name}: door`, (standing) =>
            roomRedescribed(standing.house, room.id, { door }),
          )
        }
      />
      <p className={classes.soft}>{words.screens.walk.sliders}</p>
    </section>
  );
}
