import type { ReactNode } from 'react';
import classes from './gate-layout.module.css';

export interface GateLayoutProps {
  readonly title: string;
  readonly children: ReactNode;
}

/** A page in front of the door: one narrow column. */
export function GateLayout({ title, children }: GateLayoutProps) {
  return (
    <main className={classes.page}>
      <p className={classes.brand}>Fair Plug</p>
      <h1>{title}</h1>
      {children}
    </main>
  );
}
