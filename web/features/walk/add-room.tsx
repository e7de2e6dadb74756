import { useDisclosure } from '@mantine/hooks';
import { memo } from 'react';
import { whenUsed } from '@/components/when-used';
import classes from './add-room.module.css';

const AddRoomDialog = whenUsed(() => import('./add-room-dialog').then((one) => one.AddRoomDialog));

export const AddRoom = memo(function AddRoom({ onAdd }: { readonly onAdd: (name: string) => void }) {
  const [opened, { open, close }] = useDisclosure(false);
  return (
    <>
      <button type="button" className={classes.open} onClick={open}>
        + Room
      </button>
      {opened && <AddRoomDialog onAdd={onAdd} onClose={close} />}
    </>
  );
});
