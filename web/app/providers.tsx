'use client';

import { MantineProvider } from '@mantine/core';
import type { ReactNode } from 'react';
import { LocalStore } from '@/local/local-store';
import { theme, tokens } from './theme';

export function Providers({ children }: { readonly children: ReactNode }) {
  return (
    <MantineProvider theme={theme} cssVariablesResolver={tokens} defaultColorScheme="auto">
      <LocalStore>{children}</LocalStore>
    </MantineProvider>
  );
}
