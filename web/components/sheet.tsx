import { Modal } from '@mantine/core';
import type { FocusEvent, ReactNode } from 'react';
import classes from './sheet.module.css';

export interface SheetProps {
  readonly opened: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly size?: string;
  readonly children: ReactNode;
}

/**
 * A dialog seeks its first focus a turn after it is drawn: from where somebody already is, it must not take it. The
 * library looks for this mark.
 */
function stayHere({ currentTarget, target }: FocusEvent<HTMLElement>): void {
  for (const other of currentTarget.querySelectorAll('[data-autofocus]'))
    other.removeAttribute('data-autofocus');
  target.setAttribute('data-autofocus', 'true');
}

/** What is entered beside the lamps: a dialog on a desk, at the thumb on a phone. */
export function Sheet({ opened, title, onClose, size = 'lg', children }: SheetProps) {
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      onFocus={stayHere}
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
