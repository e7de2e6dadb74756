import { Modal } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import type { ReactNode } from 'react';

export interface SheetProps {
  readonly opened: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly size?: string;
  readonly children: ReactNode;
}

/** What is entered beside the lamps: a dialog on a desk, the whole screen on a phone. */
export function Sheet({ opened, title, onClose, size = 'lg', children }: SheetProps) {
  const isPhone = useMediaQuery('(max-width: 48em)', false);
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      fullScreen={isPhone}
      size={size}
      title={title}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      {opened && children}
    </Modal>
  );
}
