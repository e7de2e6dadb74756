import type { ReactNode } from 'react';
import classes from './threshold.module.css';

export interface ThresholdProps {
  readonly title: string;
  readonly children: ReactNode;
}

/** A page in front of the door: one narrow column. */
export function Threshold({ title, children }: ThresholdProps) {
  return (
    <main className={classes.page}>
      <p className={classes.brand}>Fair Plug</p>
      <h1>{title}</h1>
      {children}
    </main>
  );
}
