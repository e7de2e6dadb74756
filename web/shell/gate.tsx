'use client';

import { usePathname, useRouter } from 'next/navigation';
import { type ReactNode, useEffect } from 'react';
import { Loading } from '@/components/loading';
import { storeName } from '@/local/identity';
import { LocalStore } from '@/local/local-store';
import { useWhoIsHere } from '@/local/who-is-here';
import { GateLayout } from './gate-layout';
import { LockedOut } from './locked-out';
import { SignOutButton } from './sign-out-button';

/** Pages in front of the door. */
const open = ['/sign-in', '/first-run', '/join', '/forgotten', '/new-password', '/mail'];

/** Shows pages to somebody who works here, with what is kept for them; everybody else is led to the sign-in. */
export function Gate({ children }: { readonly children: ReactNode }) {
  const { here } = useWhoIsHere();
  const path = usePathname();
  const router = useRouter();
  const isOpen = open.includes(path);
  const mustSignIn = !isOpen && here.kind === 'nobody';
  const hasLeft = here.kind === 'nobody' && here.hasLeft === true;
  useEffect(() => {
    if (!mustSignIn) return;
    const back = encodeURIComponent(location.pathname + location.search);
    router.replace(hasLeft ? '/sign-in' : `/sign-in?to=${back}`);
  }, [mustSignIn, hasLeft, router]);
  if (isOpen) return children;
  switch (here.kind) {
    case 'finding-out':
    case 'nobody':
      return <Loading />;
    case 'unreachable':
      return <Loading error={here.error} />;
    case 'without-firm':
      return (
        <GateLayout title={`Welcome, ${here.name}`}>
          <p>You belong to no firm at present. An owner can send you an invitation; open its link here.</p>
          <SignOutButton />
        </GateLayout>
      );
    case 'somebody':
      return (
        <LocalStore key={storeName(here.identity)} identity={here.identity} standing={here.standing}>
          {here.standing === 'removed' ? <LockedOut /> : children}
        </LocalStore>
      );
  }
}
