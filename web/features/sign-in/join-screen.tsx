'use client';

import { Alert, Anchor } from '@mantine/core';
import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Loading } from '@/components/loading';
import { type Offer, offerAnswer } from '@/contract/answers';
import { ask, post, put, RequestFailed } from '@/local/api';
import { useWhoIsHere } from '@/local/who-is-here';
import { AskingButton } from '@/shell/asking';
import { CredentialsForm } from '@/shell/credentials-form';
import { GateLayout } from '@/shell/gate-layout';

/** Where an invitation's link leads: join as somebody new, or as who has signed in. */
export function JoinScreen() {
  const invitation = useSearchParams().get('invitation') ?? '';
  const [offer, setOffer] = useState<Offer | null>(null);
  const [problem, setProblem] = useState<RequestFailed | null>(null);
  useEffect(() => {
    ask(`/api/join?invitation=${encodeURIComponent(invitation)}`, offerAnswer).then(setOffer, (error) => {
      if (error instanceof RequestFailed) setProblem(error);
    });
  }, [invitation]);
  if (problem !== null)
    return (
      <GateLayout title="Invitation">
        <Alert variant="outline" color="ink" role="alert" title={problem.message} />
        <Anchor component={Link} href="/sign-in">
          To the sign-in
        </Anchor>
      </GateLayout>
    );
  if (offer === null) return <Loading />;
  return (
    <GateLayout title={`Join ${offer.firm.name}`}>
      <p>
        {offer.inviter} invites you as {offer.role}.
      </p>
      <Joining offer={offer} invitation={invitation} />
    </GateLayout>
  );
}

function Joining({ offer, invitation }: { readonly offer: Offer; readonly invitation: string }) {
  const { here, askAgain, switchTo } = useWhoIsHere();
  const router = useRouter();
  const enter = async (): Promise<void> => {
    await askAgain();
    switchTo(offer.firm.id);
    router.replace('/');
  };
  if (here.kind === 'finding-out') return <Loading />;
  const name =
    here.kind === 'somebody' ? here.identity.person.name : here.kind === 'without-firm' ? here.name : null;
  if (name !== null)
    return (
      <AskingButton
        onPress={async () => {
          await put('/api/join', { invitation });
          await enter();
        }}
      >
        Join as {name}
      </AskingButton>
    );
  return (
    <>
      <CredentialsForm
        ask={['name', 'email', 'newPassword']}
        initial={{ email: offer.email ?? '' }}
        button="Join"
        onSubmit={async ({ name: own, email, newPassword }) => {
          await post('/api/join', { invitation, person: { name: own, email, password: newPassword } });
          await enter();
        }}
      />
      <Anchor component={Link} href={`/sign-in?to=${encodeURIComponent(`/join?invitation=${invitation}`)}`}>
        I sign in to Fair Plug already
      </Anchor>
    </>
  );
}
