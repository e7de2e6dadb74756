import type { ComponentProps } from 'react';
import classes from './text-button.module.css';

/** A button within a note: as large as any under a thumb, and in the type of the words beside it. */
export const TextButton = (props: Omit<ComponentProps<'button'>, 'type' | 'className'>) => (
  <button type="button" className={classes.press} {...props} />
);
