'use client';

import { Button, CopyButton, NativeSelect, TextInput } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import dayjs from 'dayjs';
import { useState } from 'react';
import { Loading } from '@/components/loading';
import { Page } from '@/components/page';
import type { AuditLine, Member, Role } from '@/contract/answers';
import { RequestFailed } from '@/local/api';
import { useLocal } from '@/local/local-store';
import { useQueries } from '@/local/queries';
import classes from './people.module.css';

const roleOptions: { value: Role; label: string }[] = [
  { value: 'owner', label: 'Owner: everything' },
  { value: 'inspector', label: 'Inspector: jobs and kit' },
  { value: 'viewer', label: 'Viewer: reads' },
];

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** The people of the firm, invitations, what was done, and records handed in; for owners. */
export function PeopleScreen() {
  const { identity, api } = useLocal();
  const people = useQuery({ queryKey: ['people'], queryFn: api.people }, useQueries());
  return (
    <Page title={identity.firm.name} action={null}>
      {people.data === undefined ? (
        <Loading error={people.error instanceof RequestFailed ? people.error : undefined} />
      ) : (
        <>
          <People people={people.data} />
          <Invitations />
          <Trail />
        </>
      )}
    </Page>
  );
}

function People({ people }: { readonly people: readonly Member[] }) {
  const here = people.filter(({ removedAt }) => removedAt === null);
  const gone = people.filter(({ removedAt }) => removedAt !== null);
  return (
    <section className={classes.section} aria-label="People">
      <h2>People</h2>
      <ul>
        {here.map((member) => (
          <MemberLine key={member.id} member={member} />
        ))}
      </ul>
      {gone.length > 0 && (
        <p className={classes.soft}>
          No longer with the firm, their entries stay: {gone.map(({ name }) => name).join(', ')}
        </p>
      )}
    </section>
  );
}

function MemberLine({ member: { id, name, email, role } }: { readonly member: Member }) {
  const { api } = useLocal();
  const queries = useQueries();
  const [isAsking, setAsking] = useState(false);
  const refresh = () => queries.invalidateQueries();
  const change = useMutation(
    { mutationFn: (next: Role) => api.changeRole(id, next), onSettled: refresh },
    queries,
  );
  const removal = useMutation({ mutationFn: () => api.remove(id), onSettled: refresh }, queries);
  const problem = change.error ?? removal.error;
  return (
    <li className={classes.line}>
      <span className={classes.who}>
        {name} <span className={classes.soft}>{email}</span>
        {problem !== null && <span role="alert"> {messageOf(problem)}</span>}
      </span>
      <NativeSelect
        aria-label={`What ${name} may do`}
        value={role}
        data={roleOptions}
        onChange={({ currentTarget }) => change.mutate(currentTarget.value as Role)}
      />
      {isAsking ? (
        <>
          <Button size="sm" onClick={() => removal.mutate()}>
            Remove {name} and end their sessions
          </Button>
          <Button size="sm" variant="default" onClick={() => setAsking(false)}>
            Keep
          </Button>
        </>
      ) : (
        <Button size="sm" variant="default" onClick={() => setAsking(true)}>
          Remove …
        </Button>
      )}
    </li>
  );
}

function Invitations() {
  const { api } = useLocal();
  const queries = useQueries();
  const [role, setRole] = useState<Role>('inspector');
  const [email, setEmail] = useState('');
  const open = useQuery({ queryKey: ['invitations'], queryFn: api.invitations }, queries);
  const refresh = () => queries.invalidateQueries();
  const invite = useMutation(
    {
      mutationFn: () => api.invite({ role, email: email.trim() === '' ? null : email.trim() }),
      onSettled: refresh,
    },
    queries,
  );
  const withdraw = useMutation({ mutationFn: api.withdraw, onSettled: refresh }, queries);
  return (
    <section className={classes.section} aria-label="Invitations">
      <h2>Invite somebody</h2>
      <form
        className={classes.form}
        onSubmit={(event) => {
          event.preventDefault();
          invite.mutate();
        }}
      >
        <NativeSelect
          label="As"
          value={role}
          data={roleOptions}
          onChange={({ currentTarget }) => setRole(currentTarget.value as Role)}
        />
        <TextInput
          label="E-mail, if the link is to be mailed"
          type="email"
          value={email}
          onChange={({ currentTarget }) => setEmail(currentTarget.value)}
        />
        <Button type="submit" loading={invite.isPending}>
          Make a link
        </Button>
      </form>
      {invite.error !== null && <p role="alert">{messageOf(invite.error)}</p>}
      {invite.data !== undefined && (
        <div role="status">
          <code className={classes.link}>{invite.data.link}</code>
          <CopyButton value={invite.data.link}>
            {({ copied, copy }) => (
              <Button size="sm" variant="default" onClick={copy}>
                {copied ? 'Copied' : 'Copy the link'}
              </Button>
            )}
          </CopyButton>
          <p className={classes.soft}>Good once, for a week. It is not shown again.</p>
        </div>
      )}
      <ul>
        {open.data?.map((invitation) => (
          <li key={invitation.id} className={classes.line}>
            <span className={classes.who}>
              {invitation.email ?? 'A link'}, {invitation.role}, until{' '}
              {dayjs(invitation.expiresAt).format('D MMM')}
            </span>
            <Button size="sm" variant="default" onClick={() => withdraw.mutate(invitation.id)}>
              Withdraw
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

const actionWords: Readonly<Record<string, string>> = {
  'signed-in': 'signed in',
  'sign-in-failed': 'was tried with a wrong password',
  'signed-out-everywhere': 'signed out everywhere',
  'session-ended': 'ended a session of theirs',
  refused: 'was refused',
  'password-changed': 'changed their password',
  invited: 'invited',
  'invitation-withdrawn': 'withdrew an invitation',
  joined: 'joined',
  'role-changed': 'changed what somebody may do',
  removed: 'removed',
  'firm-renamed': 'renamed the firm',
  'report-exported': 'exported a report',
  'record-imported': 'took in a record',
};

function Trail() {
  const { api } = useLocal();
  const { data = [] } = useQuery({ queryKey: ['audit'], queryFn: api.audit }, useQueries());
  return (
    <section className={classes.section} aria-label="What was done">
      <h2>What was done</h2>
      <table className={classes.trail}>
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">What</th>
          </tr>
        </thead>
        <tbody>
          {data.map((line) => (
            <TrailLine key={line.id} line={line} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function TrailLine({ line: { at, person, action, about } }: { readonly line: AuditLine }) {
  return (
    <tr>
      <td>{dayjs(at).format('D MMM YYYY HH:mm')}</td>
      <td>{person}</td>
      <td>
        {actionWords[action] ?? action}
        {about !== null && <span className={classes.soft}> {about}</span>}
      </td>
    </tr>
  );
}
