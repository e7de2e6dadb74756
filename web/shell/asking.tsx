'use client';

import { Alert, Button } from '@mantine/core';
import { type ReactNode, useState } from 'react';
import { RequestFailed } from '@/local/api';

export interface Asking {
  readonly isBusy: boolean;
  /** What the server said, where it did not do what was asked. */
  readonly problem: string | null;
  /** Asks the server for something; what it answers with instead is kept as the problem. */
  readonly run: (act: () => Promise<void>) => Promise<void>;
}

export function useAsking(): Asking {
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  return {
    isBusy,
    problem,
    run: async (act) => {
      setBusy(true);
      setProblem(null);
      try {
        await act();
      } catch (error) {
        if (!(error instanceof RequestFailed)) throw error;
        setProblem(error.message);
      } finally {
        setBusy(false);
      }
    },
  };
}

export function Problem({ asking: { problem } }: { readonly asking: Asking }) {
  return problem !== null && <Alert variant="outline" color="ink" role="alert" title={problem} />;
}

export interface AskingButtonProps {
  readonly variant?: 'default' | 'filled';
  /** Throws RequestFailed, whose message is shown. */
  readonly onPress: () => Promise<void>;
  readonly children: ReactNode;
}

/** A button that asks the server for something, and says what it answers with instead. */
export function AskingButton({ variant = 'filled', onPress, children }: AskingButtonProps) {
  const asking = useAsking();
  return (
    <>
      <Problem asking={asking} />
      <Button variant={variant} loading={asking.isBusy} onClick={() => asking.run(onPress)}>
        {children}
      </Button>
    </>
  );
}
