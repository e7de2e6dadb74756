import { screen, waitFor } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { author, type Shown, showScreen, visited } from '@/testing/screen';
import { FirstRunScreen } from './first-run-screen';
import { ForgottenScreen } from './forgotten-screen';
import { JoinScreen } from './join-screen';
import { NewPasswordScreen } from './new-password-screen';
import { SignInScreen } from './sign-in-screen';

const firm = {
  id: '01900000-0000-7000-8000-0000000000f1',
  name: 'Alder Inspections',
  role: 'owner',
} as const;
const session = { person: { id: author, name: 'Tessa Quillon', email: 'tessa@example.com' }, firms: [firm] };
const field = (name: string) => screen.findByLabelText(new RegExp(`^${name}`), { selector: 'input' });
const bodyOf = ({ server }: Shown, asked: string): unknown => server.bodies[server.asked.lastIndexOf(asked)];

describe('signing in', () => {
  const signIn = (asks: Readonly<Record<string, string>> = {}) =>
    showScreen('/sign-in', <SignInScreen />, {
      signedIn: false,
      asks,
      others: { '/api/start': { firstRun: false, demo: true } },
    });

  test('leads on to where one was going', async () => {
    const shown = signIn({ to: '/walk?job=1' });
    await shown.user.type(await field('E-mail'), 'tessa@example.com');
    await shown.user.type(await field('Password'), 'ten letters');
    shown.server.session = session;
    await shown.user.click(screen.getByRole('button', { name: 'Sign in' }));
    await waitFor(() => expect(visited).toEqual(['/walk?job=1']));
    expect(bodyOf(shown, 'POST /api/sign-in')).toEqual({
      email: 'tessa@example.com',
      password: 'ten letters',
    });
  });

  test('never leads out of the application', async () => {
    const { user, server } = signIn({ to: '//elsewhere.example' });
    await user.type(await field('E-mail'), 'tessa@example.com');
    await user.type(await field('Password'), 'ten letters');
    server.session = session;
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
    await waitFor(() => expect(visited).toEqual(['/']));
  });

  test('says what the server says, and what is missing before it is asked', async () => {
    const { user, server } = signIn();
    await user.type(await field('E-mail'), 'tessa');
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
    await screen.findByText('An e-mail address');
    expect(server.asked).not.toContain('POST /api/sign-in');
    await user.type(await field('E-mail'), '@example.com');
    await user.type(await field('Password'), 'wrong');
    server.answer = () => 401;
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
    expect((await screen.findByRole('alert')).textContent).toBe('No.');
    expect(visited).toEqual([]);
  });

  test('the demo, where there is one; a server that does not answer says so', async () => {
    const { user, server } = signIn();
    const demo = await screen.findByRole('button', { name: 'Open the demo' });
    server.answer = () => 0;
    await user.click(demo);
    expect((await screen.findByRole('alert')).textContent).toBe('The server does not answer.');
    server.answer = () => 200;
    server.session = session;
    await user.click(demo);
    await waitFor(() => expect(visited).toEqual(['/']));
  });

  test('a start without anybody leads to the first run', async () => {
    showScreen('/sign-in', <SignInScreen />, {
      signedIn: false,
      others: { '/api/start': { firstRun: true, demo: false } },
    });
    await waitFor(() => expect(visited).toEqual(['/first-run']));
  });
});

test('the first run names the firm and its owner; a short password is not sent', async () => {
  const shown = showScreen('/first-run', <FirstRunScreen />, { signedIn: false });
  const { user, server } = shown;
  await user.type(await field('Firm'), 'Alder Inspections');
  await user.type(await field('Your name'), 'Tessa Quillon');
  await user.type(await field('E-mail'), 'tessa@example.com');
  await user.type(await field('New password'), 'short');
  await user.click(screen.getByRole('button', { name: 'Begin' }));
  await screen.findByText('At least 10 characters');
  expect(server.asked).not.toContain('POST /api/first-run');
  await user.type(await field('New password'), ' and longer');
  server.session = session;
  await user.click(screen.getByRole('button', { name: 'Begin' }));
  await waitFor(() => expect(visited).toEqual(['/']));
  expect(bodyOf(shown, 'POST /api/first-run')).toEqual({
    firm: 'Alder Inspections',
    owner: { name: 'Tessa Quillon', email: 'tessa@example.com', password: 'short and longer' },
  });
});

describe('an invitation', () => {
  const offer = {
    firm: { id: firm.id, name: firm.name },
    inviter: 'Ada Vale',
    role: 'inspector',
    email: 'new@example.com',
  };
  const join = (signedIn: boolean) =>
    showScreen('/join', <JoinScreen />, {
      signedIn,
      asks: { invitation: 'abc' },
      others: { '/api/join': offer },
    });

  test('is taken by somebody new, with the address that it was sent to', async () => {
    const shown = join(false);
    await screen.findByText('Ada Vale invites you as inspector.');
    expect(await field('E-mail')).toHaveProperty('value', 'new@example.com');
    await shown.user.type(await field('Your name'), 'Nora Fell');
    await shown.user.type(await field('New password'), 'a long password');
    shown.server.session = session;
    await shown.user.click(screen.getByRole('button', { name: 'Join' }));
    await waitFor(() => expect(visited).toEqual(['/']));
    expect(bodyOf(shown, 'POST /api/join')).toEqual({
      invitation: 'abc',
      person: { name: 'Nora Fell', email: 'new@example.com', password: 'a long password' },
    });
  });

  test('is taken with one press by who has signed in; one used up meanwhile says so', async () => {
    const shown = join(true);
    const button = await screen.findByRole('button', { name: 'Join as Tessa Quillon' });
    shown.server.answer = (path) => (path === '/api/join' ? 404 : 200);
    await shown.user.click(button);
    await screen.findByText('No.');
    expect(visited).toEqual([]);
    shown.server.answer = () => 200;
    await shown.user.click(button);
    await waitFor(() => expect(visited).toEqual(['/']));
  });
});

describe('a password forgotten', () => {
  test('the answer is the same whether or not somebody signs in with the address', async () => {
    const { user } = showScreen('/forgotten', <ForgottenScreen />, { signedIn: false });
    await user.type(await field('E-mail'), 'nobody@example.com');
    await user.click(screen.getByRole('button', { name: 'Send a link' }));
    await screen.findByText(/^If somebody signs in with this address, a link is on its way/);
  });

  test('the link sets a new one', async () => {
    const shown = showScreen('/new-password', <NewPasswordScreen />, {
      signedIn: false,
      asks: { token: 'xyz' },
    });
    await shown.user.type(await field('New password'), 'a new password');
    await shown.user.click(screen.getByRole('button', { name: 'Set it' }));
    await waitFor(() => expect(visited).toEqual(['/sign-in']));
    expect(bodyOf(shown, 'POST /api/password-reset/new')).toEqual({
      token: 'xyz',
      password: 'a new password',
    });
  });
});
