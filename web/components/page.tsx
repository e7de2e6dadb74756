import type { ReactNode } from 'react';
import { Frame } from '@/shell/frame';
import classes from './page.module.css';

export interface PageProps {
  readonly title: string;
  /** The page's one main action, beside its title. */
  readonly action: ReactNode;
  readonly children: ReactNode;
}

/** A page of the desk beside the jobs: a title, an action and one column. */
export function Page({ title, action, children }: PageProps) {
  return (
    <Frame>
      <div className={classes.page}>
        <header className={classes.head}>
          <h1>{title}</h1>
          {action}
        </header>
        {children}
      </div>
    </Frame>
  );
}
