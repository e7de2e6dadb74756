import { Modal } from '@mantine/core';
import type { ReactNode } from 'react';
import classes from './sheet.module.css';

export interface SheetProps {
  readonly opened: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly size?: string;
  readonly children: ReactNode;
}

/** What is entered beside the lamps: a dialog on a desk, at the thumb on a phone. */
export function Sheet({ opened, title, onClose, size = 'lg', children }: SheetProps) {
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      size={size}
      title={title}
      classNames={{
        root: classes.sheet ?? '',
        inner: classes.inner ?? '',
        content: classes.content ?? '',
      }}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      {opened && children}
    </Modal>
  );
}
