'use client';

import { MantineProvider } from '@mantine/core';
import type { ReactNode } from 'react';
import { WhoIsHereProvider } from '@/local/who-is-here';
import { AppUpdates } from '@/shell/app-updates';
import { Gate } from '@/shell/gate';
import { theme, tokens } from './theme';

export function Providers({ children }: { readonly children: ReactNode }) {
  return (
    <MantineProvider theme={theme} cssVariablesResolver={tokens} defaultColorScheme="auto">
      <WhoIsHereProvider>
        <AppUpdates />
        <Gate>{children}</Gate>
      </WhoIsHereProvider>
    </MantineProvider>
  );
}
