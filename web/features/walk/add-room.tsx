import { Button, Group, TextInput } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { type SubmitEvent, useState } from 'react';
import classes from './add-room.module.css';

export function AddRoom({ onAdd }: { readonly onAdd: (name: string) => void }) {
  const [opened, { open, close }] = useDisclosure(false);
  const [name, setName] = useState('');
  const add = (event: SubmitEvent): void => {
    event.preventDefault();
    const trimmed = name.trim();
    if (trimmed === '') return;
    onAdd(trimmed);
    setName('');
    close();
  };
  if (!opened)
    return (
      <button type="button" className={classes.open} onClick={open}>
        + Room
      </button>
    );
  return (
    <form className={classes.form} onSubmit={add}>
      <Group gap="xs" align="end" wrap="nowrap">
        <TextInput
          label="Name of the room"
          placeholder="Den"
          maxLength={60}
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') close();
          }}
          data-autofocus
          ref={(input) => input?.focus()}
          flex={1}
        />
        <Button type="submit" size="sm">
          Add
        </Button>
      </Group>
    </form>
  );
}
