'use client';

import { MantineProvider } from '@mantine/core';
import type { ReactNode } from 'react';
import { AppUpdates } from '@/components/app-updates';
import { Door } from '@/components/door';
import { WhoIsHereProvider } from '@/local/who-is-here';
import { theme, tokens } from './theme';

export function Providers({ children }: { readonly children: ReactNode }) {
  return (
    <MantineProvider theme={theme} cssVariablesResolver={tokens} defaultColorScheme="auto">
      <WhoIsHereProvider>
        <AppUpdates />
        <Door>{children}</Door>
      </WhoIsHereProvider>
    </MantineProvider>
  );
}
