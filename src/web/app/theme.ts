import { type CSSVariablesResolver, createTheme, type MantineColorsTuple } from '@mantine/core'

/** Shades of the one action colour, for what Mantine draws itself; views use the tokens. */
const plum: MantineColorsTuple = ['#f6f0fb', '#e7dbf2', '#cdb4e3', '#b28bd4', '#9b68c7', '#8c52bf', '#7c43ae', '#6b3699', '#5b2a86', '#471e6c']

/** The house's own theme: one radius, one spacing scale, targets of 44 px and more. */
export const theme = createTheme({
  colors: { plum },
  // Mantine's own sizes are made for letters of 16 px; ours have 17.
  scale: 17 / 16,
  respectReducedMotion: true,
  primaryColor: 'plum',
  primaryShade: { light: 8, dark: 2 },
  autoContrast: true,
  fontFamily: 'var(--ol-sans)',
  fontFamilyMonospace: 'var(--ol-mono)',
  defaultRadius: 12,
  radius: { xs: '12px', sm: '12px', md: '12px', lg: '12px', xl: '12px' },
  spacing: { xs: '8px', sm: '12px', md: '16px', lg: '24px', xl: '32px' },
  fontSizes: { xs: '0.875rem', sm: '0.9375rem', md: '1.0625rem', lg: '1.25rem', xl: '1.5rem' },
  headings: {
    fontFamily: 'var(--ol-sans)',
    fontWeight: '700',
    sizes: { h1: { fontSize: '2.25rem', lineHeight: '1.15' }, h2: { fontSize: '1.5rem', lineHeight: '1.25' }, h3: { fontSize: '1.25rem', lineHeight: '1.3' } }
  },
  components: {
    Button: {
      defaultProps: { size: 'md' },
      vars: (_theme: unknown, props: { variant?: string }) => ({
        root: props.variant === undefined || props.variant === 'filled' ? { '--button-color': 'var(--ol-on-action)' } : {}
      }),
      styles: { root: { minHeight: 48 }, label: { fontWeight: 650 } }
    },
    // Its drawing does not grow with the letters; nor does it.
    ActionIcon: { defaultProps: { variant: 'subtle' }, vars: () => ({ root: { '--ai-size': '46px' } }) },
    TextInput: { defaultProps: { size: 'md' } },
    PasswordInput: { defaultProps: { size: 'md' } },
    NumberInput: { defaultProps: { size: 'md', hideControls: true } },
    Select: { defaultProps: { size: 'md', allowDeselect: false, comboboxProps: { transitionProps: { duration: 100 } } } },
    SegmentedControl: { defaultProps: { size: 'md' }, styles: { root: { maxWidth: '100%', overflowX: 'auto' } } },
    Modal: { defaultProps: { transitionProps: { duration: 120 }, centered: true }, styles: { title: { fontSize: '1.375rem', fontWeight: 700 } } },
    Drawer: { defaultProps: { transitionProps: { duration: 150 } }, styles: { title: { fontSize: '1.375rem', fontWeight: 700 } } }
  }
})

/** Mantine's own variables, set from the tokens, so that there is one place for colours. */
export const cssVariables: CSSVariablesResolver = () => {
  const shared = {
    '--mantine-color-body': 'var(--ol-page)',
    '--mantine-color-text': 'var(--ol-ink)',
    '--mantine-color-dimmed': 'var(--ol-soft)',
    '--mantine-color-placeholder': 'var(--ol-soft)',
    '--mantine-color-default': 'var(--ol-card)',
    '--mantine-color-default-hover': 'var(--ol-tint)',
    '--mantine-color-default-color': 'var(--ol-ink)',
    '--mantine-color-default-border': 'var(--ol-edge)',
    '--mantine-color-anchor': 'var(--ol-action)',
    '--mantine-color-error': 'var(--ol-stop)',
    '--mantine-primary-color-filled': 'var(--ol-action)',
    '--mantine-primary-color-filled-hover': 'var(--ol-action-hover)',
    '--mantine-primary-color-contrast': 'var(--ol-on-action)',
    '--mantine-primary-color-light-color': 'var(--ol-action)',
    '--mantine-color-plum-filled': 'var(--ol-action)',
    '--mantine-color-plum-filled-hover': 'var(--ol-action-hover)',
    '--mantine-color-plum-text': 'var(--ol-action)',
    '--mantine-color-plum-light-color': 'var(--ol-action)',
    '--mantine-color-plum-light': 'var(--ol-tint)',
    '--mantine-color-plum-light-hover': 'var(--ol-tint)',
    '--mantine-color-plum-outline': 'var(--ol-action)'
  }
  return { variables: {}, light: shared, dark: shared }
}
