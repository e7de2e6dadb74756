import type { Room, RoomTemplate } from '@fair-plug/core/log';
import { Button, TextInput } from '@mantine/core';
import { type SubmitEvent, useState } from 'react';
import { v7 } from 'uuid';
import { ChoiceKeys } from '@/components/choice-keys';
import { useKeep, useKit } from '@/local/use-logs';
import type { Recorder } from '@/local/use-recorder';
import classes from './prepare.module.css';

const rooms = (...named: readonly (readonly [name: string, expected: number])[]): RoomTemplate['rooms'] =>
  named.map(([name, expected]) => ({ name, expected }));

/** Houses that everybody meets; own ones are saved to the firm's kit. */
const usualTemplates: readonly RoomTemplate[] = [
  {
    id: 'bungalow',
    name: 'Bungalow',
    rooms: rooms(
      ['Entry', 1],
      ['Living room', 6],
      ['Kitchen', 7],
      ['Hall', 1],
      ['Bath', 1],
      ['Front bedroom', 4],
      ['Back bedroom', 4],
      ['Laundry', 2],
      ['Garage', 3],
    ),
  },
  {
    id: 'split-level',
    name: 'Split-level',
    rooms: rooms(
      ['Entry', 2],
      ['Living room', 6],
      ['Dining room', 4],
      ['Kitchen', 7],
      ['Bath', 1],
      ['Main bedroom', 5],
      ['Second bedroom', 4],
      ['Third bedroom', 4],
      ['Family room', 6],
      ['Laundry', 2],
      ['Garage', 3],
    ),
  },
  {
    id: 'apartment',
    name: 'Apartment',
    rooms: rooms(['Entry', 1], ['Living room', 6], ['Kitchen', 6], ['Bath', 1], ['Bedroom', 4]),
  },
];

/** Adds the rooms of a template that are not there yet; saves the house's own rooms as one. */
export function RoomTemplates({
  rooms: present,
  record,
}: {
  readonly rooms: readonly Room[];
  readonly record: Recorder;
}) {
  const kit = useKit();
  const keep = useKeep();
  const [name, setName] = useState('');
  const own = kit.kind === 'loaded' ? kit.templates : [];
  const all = [...own, ...usualTemplates];
  const use = (id: string): void => {
    const template = all.find((one) => one.id === id);
    record(({ house }) => {
      const names = new Set(house.rooms.map((room) => room.name));
      const missing = template?.rooms.filter((room) => !names.has(room.name)) ?? [];
      return missing.map((room) => ({ kind: 'room-described', room: v7(), ...room }));
    });
  };
  const save = (event: SubmitEvent): void => {
    event.preventDefault();
    if (name.trim() === '' || present.length === 0) return;
    void keep?.inKit(({ templates }) => [
      {
        kind: 'room-template-saved',
        template: templates.find((one) => one.name === name.trim())?.id ?? v7(),
        name: name.trim(),
        rooms: present.map((room) => ({
          name: room.name,
          expected: room.expected ?? (room.receptacles.length === 0 ? null : room.receptacles.length),
        })),
      },
    ]);
    setName('');
  };
  return (
    <>
      <ChoiceKeys
        legend="Add the rooms of a template"
        choices={all.map((template) => [template.id, `${template.name} · ${template.rooms.length}`])}
        chosen={() => false}
        onChoose={use}
      />
      {present.length > 0 && (
        <form className={classes.inline} onSubmit={save}>
          <TextInput
            label="Save these rooms as a template"
            placeholder="Ranch with basement"
            maxLength={60}
            value={name}
            onChange={(event) => setName(event.currentTarget.value)}
          />
          <Button type="submit" variant="default">
            Save
          </Button>
        </form>
      )}
    </>
  );
}
