'use client';

import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import classes from './frame.module.css';
import { AwayBanner, SaveStateLine } from './save-state';

function ThemeSwitch() {
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme('light', { getInitialValueInEffect: true });
  const [Icon, next, name] =
    scheme === 'light'
      ? ([IconMoon, 'dark', 'Basement'] as const)
      : ([IconSun, 'light', 'Daylight'] as const);
  return (
    <button
      type="button"
      className={classes.icon}
      aria-label={`${name} theme`}
      onClick={() => setColorScheme(next)}
    >
      <Icon size={20} aria-hidden />
    </button>
  );
}

export interface FrameProps {
  /** Shown in the middle of the head: the job's address, the stage rail. */
  readonly head?: ReactNode;
  readonly children: ReactNode;
}

/** Head of every screen: where one is, where the data is, and the way back. */
export function Frame({ head, children }: FrameProps) {
  return (
    <div className={classes.frame}>
      <header className={`${classes.head} screen-only`}>
        <Link href="/" className={classes.brand}>
          Fair&nbsp;Plug
        </Link>
        <div className={classes.middle}>{head}</div>
        <div className={classes.end}>
          <SaveStateLine />
          <Link href="/bench" className={classes.link}>
            Bench
          </Link>
          <Link href="/kit" className={classes.link}>
            Kit
          </Link>
          <ThemeSwitch />
        </div>
      </header>
      <div className="screen-only">
        <AwayBanner />
      </div>
      <main className={classes.main}>{children}</main>
    </div>
  );
}
