'use client';

import { Button, Group, Menu, Modal, Stack } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { IconMenu2, IconUser } from '@tabler/icons-react';
import Link from 'next/link';
import { useLocal } from '@/local/local-store';
import { useExportRecord } from '@/local/record';
import { finishSignOut, rememberSignOut, type SignOutWay } from '@/local/signing-out';
import { useSaveState } from '@/local/use-logs';
import { useWhoIsHere } from '@/local/who-is-here';
import classes from './frame.module.css';
import { useTheme } from './use-theme';

/** Where the kit and all jobs are worked on, wherever one is. */
export const places = [
  { href: '/bench', name: 'Bench' },
  { href: '/kit', name: 'Kit' },
  { href: '/settings', name: 'Settings' },
] as const;

/** The ways that stand in a row on a desk, on a phone under one key. */
export function PlacesMenu() {
  const { words, toggle } = useTheme();
  return (
    <Menu position="bottom-end" width={220} withInitialFocusPlaceholder={false}>
      <Menu.Target>
        <button
          type="button"
          className={`${classes.icon} ${classes.phoneOnly}`}
          aria-label="Bench, kit, settings, theme"
        >
          <IconMenu2 size={22} aria-hidden />
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        {places.map(({ href, name }) => (
          <Menu.Item key={href} component={Link} prefetch={false} href={href}>
            {name}
          </Menu.Item>
        ))}
        <Menu.Item onClick={toggle}>{words}</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}

/** Who works here and for which firm; the ways to others. */
export function AccountMenu() {
  const { identity } = useLocal();
  const { switchTo } = useWhoIsHere();
  const [asking, { open, close }] = useDisclosure(false);
  const { unsent, unsentWords } = useSaveState();
  const signOut = useSignOut();
  const others = identity.firms.filter(({ id }) => id !== identity.firm.id);
  return (
    <>
      <Menu position="bottom-end" width={260} withInitialFocusPlaceholder={false}>
        <Menu.Target>
          <button type="button" className={classes.icon} aria-label={`Account of ${identity.person.name}`}>
            <IconUser size={20} aria-hidden />
          </button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Label role="presentation">
            {identity.person.name}, {identity.firm.role} · {identity.firm.name}
          </Menu.Label>
          {others.map(({ id, name }) => (
            <Menu.Item key={id} onClick={() => switchTo(id)}>
              Switch to {name}
            </Menu.Item>
          ))}
          {identity.firm.role === 'owner' && (
            <Menu.Item component={Link} prefetch={false} href="/people">
              People
            </Menu.Item>
          )}
          <Menu.Item component={Link} prefetch={false} href="/account">
            Your account
          </Menu.Item>
          <Menu.Item onClick={unsent > 0 ? open : signOut}>Sign out</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      <Modal
        opened={asking}
        onClose={close}
        title="Not everything is on the server"
        closeButtonProps={{ 'aria-label': 'Close' }}
      >
        <UnsentWarning unsent={unsent} unsentWords={unsentWords} onSignOut={signOut} onStay={close} />
      </Modal>
    </>
  );
}

interface UnsentWarningProps {
  readonly unsent: number;
  readonly unsentWords: string;
  readonly onSignOut: () => void;
  readonly onStay: () => void;
}

function UnsentWarning({ unsent, unsentWords, onSignOut, onStay }: UnsentWarningProps) {
  const exportRecord = useExportRecord();
  return (
    <Stack>
      <p>
        {unsentWords} {unsent === 1 ? 'is' : 'are'} in this browser alone. Signing out deletes what is kept
        here, so that nobody else reads it.
      </p>
      <Button variant="default" onClick={() => exportRecord('unsent')}>
        Save them as a file
      </Button>
      <Group justify="flex-end">
        <Button variant="default" onClick={onSignOut}>
          Sign out and delete
        </Button>
        <Button onClick={onStay} data-autofocus>
          Stay
        </Button>
      </Group>
    </Stack>
  );
}

/** Ends the session, now or once the server can be reached, and deletes what is kept in this browser for it. */
export function useSignOut(way: SignOutWay = 'here'): () => Promise<void> {
  const { store, sync } = useLocal();
  const { leave } = useWhoIsHere();
  return async () => {
    sync.end();
    rememberSignOut(way);
    await store.delete();
    leave();
    await finishSignOut();
  };
}
