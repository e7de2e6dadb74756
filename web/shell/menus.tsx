'use client';

import { Button, Group, Menu, Modal, Stack } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { IconMenu2, IconUser } from '@tabler/icons-react';
import Link from 'next/link';
import { useLocal } from '@/local/local-store';
import { useExportRecord } from '@/local/record';
import { useSaveState } from '@/local/use-logs';
import { useWhoIsHere } from '@/local/who-is-here';
import classes from './frame.module.css';
import { places } from './places';
import { useSignOut } from './use-sign-out';
import { useTheme } from './use-theme';

/** The ways that stand in a row on a desk, on a phone under one key. Open at first: it is loaded with the first press. */
export function PlacesMenu() {
  const { words, toggle } = useTheme();
  return (
    <Menu defaultOpened position="bottom-end" width={220} withInitialFocusPlaceholder={false}>
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

/** Who works here and for which firm; the ways to others. Open at first, as the one above. */
export function AccountMenu() {
  const { identity } = useLocal();
  const { switchTo } = useWhoIsHere();
  const [asking, { open, close }] = useDisclosure(false);
  const { unsent, unsentWords } = useSaveState();
  const signOut = useSignOut();
  const others = identity.firms.filter(({ id }) => id !== identity.firm.id);
  return (
    <>
      <Menu defaultOpened position="bottom-end" width={260} withInitialFocusPlaceholder={false}>
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
