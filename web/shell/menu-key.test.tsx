import { IconUser } from '@tabler/icons-react';
import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { MenuKey } from './menu-key';

const Menu = () => <p>People, settings</p>;

/** A key whose menu cannot be had until a network is there. */
const withoutNetwork = () => {
  const network = { isThere: false };
  const load = () => (network.isThere ? Promise.resolve(Menu) : Promise.reject(new Error('no network')));
  render(<MenuKey load={load} label="Account" icon={IconUser} />);
  fireEvent.click(screen.getByRole('button', { name: 'Account' }));
  return network;
};

test('a menu that is not on the device yet says so, and opens once there is a network', async () => {
  const network = withoutNetwork();
  await screen.findByText(/Not on this device yet/);
  expect(screen.queryByText('People, settings')).toBeNull();
  network.isThere = true;
  await screen.findByText('People, settings');
  expect(screen.queryByRole('alert')).toBeNull();
});

test('it does not open over what was begun meanwhile', async () => {
  const network = withoutNetwork();
  await screen.findByText(/Not on this device yet/);
  fireEvent.pointerDown(document.body);
  expect(screen.queryByRole('alert')).toBeNull();
  network.isThere = true;
  dispatchEvent(new Event('online'));
  await new Promise((done) => setTimeout(done, 100));
  expect(screen.queryByText('People, settings')).toBeNull();
});
