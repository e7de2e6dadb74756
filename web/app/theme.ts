import { type CSSVariablesResolver, createTheme, type MantineColorsTuple } from '@mantine/core';

/** Near-black to paper: buttons and text. The one warm colour is a token of its own and means "energized". */
const ink: MantineColorsTuple = [
  '#f7f4ed',
  '#e9e4d9',
  '#d3ccbe',
  '#b3ab9b',
  '#8d8577',
  '#6a6357',
  '#4e483f',
  '#383329',
  '#26221b',
  '#17140f',
];

const filledButton = {
  '--button-bg': 'var(--ink)',
  '--button-hover': 'var(--ink)',
  '--button-color': 'var(--paper)',
};
const plainButton = {
  '--button-bg': 'var(--paper-raised)',
  '--button-hover': 'var(--paper-sunk)',
  '--button-color': 'var(--ink)',
  '--button-bd': '1px solid var(--line-strong)',
};

/** As high as its size says, and on a phone as high as a key of the walk. */
const asHighAsKeys = (height: string): string => `max(var(${height}), var(--least-key))`;

const inTheMiddle = { display: 'flex', alignItems: 'center', minHeight: 'var(--least-key)' };
/** Beside the first line of its words, which are pressed as well. */
const besideWords = { marginTop: 'max(0px, (var(--least-key) - 1.25rem) / 2)' };

interface Sized {
  readonly size?: string;
}

export const theme = createTheme({
  fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
  fontFamilyMonospace: "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace",
  headings: { fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif", fontWeight: '650' },
  // The library's greys are bluish, and look like paper that is switched off.
  colors: { ink, gray: ink },
  primaryColor: 'ink',
  primaryShade: { light: 9, dark: 1 },
  defaultRadius: 'sm',
  focusRing: 'auto',
  respectReducedMotion: true,
  components: {
    Button: {
      defaultProps: { size: 'md' },
      vars: (
        _theme: unknown,
        { variant = 'filled', size = 'md' }: Sized & { readonly variant?: string },
      ) => ({
        root: {
          ...(variant === 'filled' ? filledButton : plainButton),
          '--button-height': asHighAsKeys(`--button-height-${size}`),
        },
      }),
    },
    Input: {
      vars: (_theme: unknown, { size = 'sm' }: Sized) => ({
        wrapper: {
          '--input-bd': 'var(--line-strong)',
          '--input-bg': 'var(--paper-raised)',
          '--input-height': asHighAsKeys(`--input-height-${size}`),
        },
      }),
    },
    CloseButton: {
      // Those within a field say their size.
      vars: (_theme: unknown, { size }: Sized) => ({
        root:
          size === undefined
            ? { '--cb-size': asHighAsKeys('--cb-size-md'), '--cb-icon-size': '1.25rem' }
            : {},
      }),
    },
    Menu: { styles: { item: { minHeight: 'var(--least-key)' } } },
    Checkbox: { styles: { inner: besideWords, label: inTheMiddle } },
    Switch: { styles: { track: besideWords, label: inTheMiddle } },
    Pill: {
      defaultProps: { removeButtonProps: { style: { height: '100%', minWidth: 'var(--least-key)' } } },
      vars: (_theme: unknown, { size = 'sm' }: Sized) => ({
        root: { '--pill-height': asHighAsKeys(`--pill-height-${size}`) },
      }),
    },
    SegmentedControl: {
      styles: {
        root: { backgroundColor: 'var(--paper-sunk)' },
        label: { ...inTheMiddle, justifyContent: 'center', color: 'var(--ink)' },
        // What is chosen has the ring of a pressed key.
        indicator: { backgroundColor: 'var(--paper-raised)', boxShadow: 'inset 0 0 0 2px var(--ink)' },
      },
    },
    Anchor: { defaultProps: { underline: 'always' } },
    Modal: { defaultProps: { centered: true, yOffset: '2dvh', overlayProps: { backgroundOpacity: 0.5 } } },
  },
});

/** Daylight is warm paper, Basement warm near-black; every colour of a feature is one of these. */
const daylight = {
  '--paper': '#faf7f0',
  '--paper-raised': '#ffffff',
  '--paper-sunk': '#f1ece1',
  '--ink': '#1c1914',
  '--ink-soft': '#5c5548',
  '--line': '#d8d1c2',
  '--line-strong': '#8a8272',
  '--live': '#c24a06',
  '--live-glow': 'transparent',
  '--act-now': '#8f1250',
  '--repair': '#1d4f91',
  '--note': '#4f5a5e',
  '--focus': '#1d5fd0',
};

const basement: typeof daylight = {
  '--paper': '#16130f',
  '--paper-raised': '#1f1b16',
  '--paper-sunk': '#100e0b',
  '--ink': '#ece5d8',
  '--ink-soft': '#b0a797',
  '--line': '#3b352b',
  '--line-strong': '#7d7464',
  '--live': '#ffae42',
  '--live-glow': 'rgb(255 174 66 / 55%)',
  '--act-now': '#f29bc5',
  '--repair': '#9cc3f5',
  '--note': '#b9c3c6',
  '--focus': '#8ab8ff',
};

const mantineNames = {
  '--mantine-color-body': 'var(--paper)',
  '--mantine-color-text': 'var(--ink)',
  '--mantine-color-dimmed': 'var(--ink-soft)',
  '--mantine-color-default': 'var(--paper-raised)',
  '--mantine-color-default-hover': 'var(--paper-sunk)',
  '--mantine-color-default-border': 'var(--line-strong)',
  '--mantine-color-anchor': 'var(--ink)',
  '--mantine-color-error': 'var(--act-now)',
  '--mantine-color-disabled': 'var(--paper-sunk)',
  '--mantine-color-disabled-color': 'var(--ink-soft)',
  '--mantine-color-disabled-border': 'var(--line)',
  '--mantine-color-placeholder': 'var(--ink-soft)',
};

export const tokens: CSSVariablesResolver = () => ({
  variables: {},
  light: { ...daylight, ...mantineNames },
  dark: { ...basement, ...mantineNames },
});
