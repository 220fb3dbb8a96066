/** The look in numbers: every colour and size of the interface comes from here, for components and for drawings alike. */
export const TOKENS = {
  ground: '#F5F8F9',
  surface: '#FFFFFF',
  hairline: '#D5DEE1',
  /** Between rows that belong together. */
  hairlinePale: '#E8EEF0',
  /** Round what can be typed in or pressed: 3 : 1 against the surface. */
  edge: '#8AA0A7',
  ink: '#0F2A30',
  muted: '#4C646B',
  brine: '#0B6B73',
  brinePale: '#E3F0F1',
  hover: '#F3F8F8',
  rose: '#C2305A',
  roseInk: '#9C1F45',
  rosePale: '#FBE9EF',
  ochre: '#7A4F00',
  ochrePale: '#FFF3D1',
  strip: '#EAF0F2',
} as const;

export const SANS = "'Archivo Variable', system-ui, sans-serif";
export const MONO = "'JetBrains Mono', ui-monospace, monospace";

const dashed = (name: string): string => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** The tokens as custom properties, for style sheets of drawings: `--brine-pale`. */
export const tokenProperties = (): Record<string, string> => ({
  ...Object.fromEntries(Object.entries(TOKENS).map(([name, value]) => [`--${dashed(name)}`, value])),
  '--mono': MONO,
});

/** A visible focus: 1 px of brine, 2 px away; in forced colours the system's own. */
export const focusRing = { outline: `1px solid ${TOKENS.brine}`, outlineOffset: 2 } as const;
