import { Button, Group, Modal, TextInput } from '@mantine/core';
import { type SubmitEvent, useState } from 'react';

export interface AddRoomDialogProps {
  readonly onAdd: (name: string) => void;
  readonly onClose: () => void;
}

/** Asks for the name of a room. */
export function AddRoomDialog({ onAdd, onClose }: AddRoomDialogProps) {
  const [name, setName] = useState('');
  const add = (event: SubmitEvent): void => {
    event.preventDefault();
    const trimmed = name.trim();
    if (trimmed === '') return;
    onAdd(trimmed);
    onClose();
  };
  return (
    <Modal opened onClose={onClose} title="Add a room" closeButtonProps={{ 'aria-label': 'Close' }}>
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
  );
}
