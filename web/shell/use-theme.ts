import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';

/** The other theme than the one that is shown, and the way to it. */
export function useTheme() {
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme('light', { getInitialValueInEffect: true });
  const isLight = scheme === 'light';
  return {
    Icon: isLight ? IconMoon : IconSun,
    words: isLight ? 'Basement theme' : 'Daylight theme',
    toggle: () => setColorScheme(isLight ? 'dark' : 'light'),
  };
}
