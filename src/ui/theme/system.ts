import { createSystem, defaultBaseConfig, defineConfig, defineTextStyles } from '@chakra-ui/react';
import { semanticColors } from './semanticTokens';

const textStyles = defineTextStyles({
  /** The answer a screen opens with. */
  headline: { value: { fontSize: '27px', lineHeight: '1.2', fontWeight: '700', letterSpacing: '-0.01em' } },
  /** What the bench reads at arm's length. */
  instruction: { value: { fontSize: '38px', lineHeight: '1.1', fontWeight: '700', letterSpacing: '-0.015em' } },
  lead: { value: { fontSize: '17px', lineHeight: '1.4' } },
  section: { value: { fontSize: '15px', lineHeight: '1.3', fontWeight: '700' } },
  body: { value: { fontSize: '16px', lineHeight: '1.4' } },
  list: { value: { fontSize: '17px', lineHeight: '1.35' } },
  note: { value: { fontSize: '14px', lineHeight: '1.4' } },
  caption: { value: { fontSize: '13px', lineHeight: '1.35' } },
  code: { value: { fontFamily: 'mono', fontSize: '14px', fontWeight: '700', letterSpacing: '0.02em' } },
  figure: { value: { fontSize: '22px', lineHeight: '1.1', fontWeight: '700' } },
});

const config = defineConfig({
  preflight: true,
  theme: {
    tokens: {
      fonts: {
        body: { value: 'var(--font-next), system-ui, sans-serif' },
        heading: { value: 'var(--font-next), system-ui, sans-serif' },
        mono: { value: 'var(--font-mono), ui-monospace, monospace' },
      },
      radii: { soft: { value: '3px' }, full: { value: '9999px' }, cup: { value: '8px' } },
      sizes: { target: { value: '48px' } },
    },
    semanticTokens: { colors: semanticColors },
    textStyles,
    breakpoints: { sm: '480px', md: '768px', lg: '1000px', xl: '1280px' },
  },
  globalCss: {
    '*, *::before, *::after': {
      boxSizing: 'border-box',
      borderColor: 'rule',
      _motionReduce: { transition: 'none !important', animation: 'none !important' },
    },
    'html, body': { margin: 0, minHeight: '100%', background: 'paper', color: 'ink' },
    body: { fontFamily: 'body', fontSize: '16px', lineHeight: '1.4', fontVariantNumeric: 'tabular-nums slashed-zero' },
    'h1, h2, h3, p, ul, ol, figure, table, dl, dd': {
      margin: 0,
      padding: 0,
      fontSize: 'inherit',
      fontWeight: 'inherit',
    },
    'ul, ol': { listStyle: 'none' },
    table: { borderCollapse: 'collapse', width: '100%' },
    'button, input, select, textarea': { font: 'inherit', color: 'inherit', fontVariantNumeric: 'inherit' },
    a: { color: 'inherit', textDecoration: 'none' },
    ':focus-visible': { outline: '3px solid', outlineColor: 'action', outlineOffset: '2px' },
    dialog: { color: 'ink' },
    'dialog::backdrop': { background: 'ink', opacity: 0.35 },
  },
});

/** Chakra's base (conditions and utilities) with our own tokens and recipes; its default theme is not loaded. */
export const system = createSystem(defaultBaseConfig, config);
