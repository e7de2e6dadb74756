import { Button, Group, Modal, TextInput } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { memo, type SubmitEvent, useState } from 'react';
import classes from './add-room.module.css';

export const AddRoom = memo(function AddRoom({ onAdd }: { readonly onAdd: (name: string) => void }) {
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
  return (
    <>
      <button type="button" className={classes.open} onClick={open}>
        + Room
      </button>
      <Modal opened={opened} onClose={close} title="Add a room" closeButtonProps={{ 'aria-label': 'Close' }}>
        <form onSubmit={add}>
          <Group gap="xs" align="end" wrap="nowrap">
            <TextInput
              label="Name of the room"
              placeholder="Den"
              maxLength={60}
              value={name}
              onChange={(event) => setName(event.currentTarget.value)}
              data-autofocus
              flex={1}
            />
            <Button type="submit">Add</Button>
          </Group>
        </form>
      </Modal>
    </>
  );
});
