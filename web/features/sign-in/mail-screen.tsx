'use client';

import { useEffect, useState } from 'react';
import { type KeptMessage, mailAnswer } from '@/contract/answers';
import { ask, RequestFailed } from '@/local/api';
import { GateLayout } from '@/shell/gate-layout';

/** In demo mode: the mail that would have been sent. */
export function MailScreen() {
  const [messages, setMessages] = useState<readonly KeptMessage[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    ask('/api/mail', mailAnswer).then(
      (answer) => setMessages(answer.messages),
      (error) => setProblem(error instanceof RequestFailed ? error.message : String(error)),
    );
  }, []);
  return (
    <GateLayout title="Outgoing mail">
      {problem !== null && <p role="alert">{problem}</p>}
      {messages?.length === 0 && <p>Nothing yet. Invitations and new passwords turn up here.</p>}
      {messages?.map(({ at, to, subject, text }) => (
        <article key={at}>
          <h2>{subject}</h2>
          <p>To {to}</p>
          <p style={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere' }}>{text}</p>
        </article>
      ))}
    </GateLayout>
  );
}
