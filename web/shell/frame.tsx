'use client';

import { IconMenu2, IconUser } from '@tabler/icons-react';
import Link from 'next/link';
import { memo, type ReactNode } from 'react';
import { useLocal } from '@/local/local-store';
import { useResumedPhotos } from '@/local/photos/use-resumed-photos';
import { ClockWarning } from './clock-warning';
import classes from './frame.module.css';
import { MenuKey } from './menu-key';
import { places } from './places';
import { AwayBanner, SaveStateLine, SpaceWarning, UnsentReminder } from './save-state';
import { useTheme } from './use-theme';

const placesMenu = () => import('./menus').then(({ PlacesMenu }) => PlacesMenu);
const accountMenu = () => import('./menus').then(({ AccountMenu }) => AccountMenu);

function ThemeSwitch() {
  const { Icon, words, toggle } = useTheme();
  return (
    <button
      type="button"
      className={`${classes.icon} ${classes.deskOnly}`}
      aria-label={words}
      onClick={toggle}
    >
      <Icon size={20} aria-hidden />
    </button>
  );
}

/** Says why nothing can be entered, to those who may only read. */
function ReaderLine() {
  const { identity } = useLocal();
  if (identity.firm.role !== 'viewer') return null;
  return <p className={classes.reader}>You read here; entering is for inspectors and owners.</p>;
}

export interface FrameProps {
  /** Shown in the middle of the head: the job's address, the stage rail. */
  readonly head?: ReactNode;
  readonly children: ReactNode;
}

/** Where one is, where the data is, and the way to the rest. */
const Head = memo(function Head({ head }: { readonly head: ReactNode }) {
  const { identity } = useLocal();
  return (
    <header className={`${classes.head} screen-only`}>
      <Link prefetch={false} href="/" className={classes.brand}>
        Fair&nbsp;Plug
      </Link>
      <div className={classes.middle}>{head}</div>
      <div className={classes.end}>
        <SaveStateLine />
        {places.map(({ href, name }) => (
          <Link key={href} prefetch={false} href={href} className={`${classes.link} ${classes.deskOnly}`}>
            {name}
          </Link>
        ))}
        <MenuKey load={placesMenu} label="Bench, kit, settings, theme" icon={IconMenu2} isPhoneOnly />
        <ThemeSwitch />
        <MenuKey load={accountMenu} label={`Account of ${identity.person.name}`} icon={IconUser} />
      </div>
    </header>
  );
});

const Banners = memo(function Banners() {
  return (
    <div className="screen-only">
      <AwayBanner />
      <ClockWarning />
      <UnsentReminder />
      <SpaceWarning />
      <ReaderLine />
    </div>
  );
});

/** Head of every screen: where one is, where the data is, and the way back. What is inside changes without it. */
export function Frame({ head = null, children }: FrameProps) {
  useResumedPhotos();
  return (
    <div className={classes.frame}>
      <a href="#content" className={`${classes.skip} screen-only`}>
        Skip to what is on this screen
      </a>
      <Head head={head} />
      <Banners />
      <main id="content" tabIndex={-1} className={classes.main}>
        {children}
      </main>
    </div>
  );
}
