import { createTheme } from '@mui/material/styles';
import { SANS, TOKENS, focusRing } from './tokens.ts';

const T = TOKENS;

/** The component library in our own face: flat, hairlines, 4 px, 44 px targets. */
export const theme = createTheme({
  palette: {
    primary: { main: T.brine, contrastText: T.surface },
    error: { main: T.rose },
    text: { primary: T.ink, secondary: T.muted },
    background: { default: T.ground, paper: T.surface },
    divider: T.hairline,
  },
  shape: { borderRadius: 4 },
  breakpoints: { values: { xs: 0, sm: 620, md: 1000, lg: 1280, xl: 1700 } },
  typography: {
    fontFamily: SANS,
    fontSize: 14,
    body1: { fontSize: 14, lineHeight: 1.4 },
    button: { textTransform: 'none', fontWeight: 600 },
  },
  transitions: { duration: { enteringScreen: 120, leavingScreen: 90 } },
  components: {
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: { root: { '&.Mui-focusVisible': focusRing } },
    },
    MuiButton: {
      defaultProps: { disableElevation: true, variant: 'outlined' },
      styleOverrides: {
        root: {
          minHeight: 40,
          paddingInline: 16,
          whiteSpace: 'nowrap',
          '@media (max-width: 760px)': { whiteSpace: 'normal' },
          '&.Mui-focusVisible': focusRing,
          '@media (forced-colors: active)': { border: '1px solid ButtonText' }, // a ground alone is not seen there
          variants: [
            { props: { size: 'small' }, style: { minHeight: 32, paddingInline: 10 } },
            { props: { size: 'large' }, style: { minHeight: 56, fontSize: 18, paddingInline: 22 } },
            { props: { variant: 'outlined' }, style: { borderColor: '#9DB0B6', backgroundColor: T.surface } },
          ],
        },
      },
    },
    MuiIconButton: { styleOverrides: { root: { borderRadius: 4, color: T.brine } } },
    MuiOutlinedInput: {
      styleOverrides: {
        root: { backgroundColor: T.surface, fontVariantNumeric: 'tabular-nums', minHeight: 40 },
        notchedOutline: { borderColor: T.edge },
      },
    },
    MuiInputBase: {
      styleOverrides: {
        root: { fontSize: 14 },
        input: { '&::placeholder': { color: T.muted, opacity: 1 } },
      },
    },
    MuiInputLabel: { styleOverrides: { root: { color: T.muted } } },
    MuiFormLabel: { styleOverrides: { root: { color: T.muted } } },
    MuiFormHelperText: {
      styleOverrides: { root: { marginInline: 2, color: T.muted, '&.Mui-error': { color: T.roseInk } } },
    },
    MuiTextField: {
      defaultProps: { size: 'small', slotProps: { inputLabel: { shrink: true } } },
    },
    MuiFormControlLabel: {
      styleOverrides: { root: { marginLeft: -6, marginRight: 8 }, label: { fontSize: 14 } },
    },
    MuiCheckbox: { defaultProps: { size: 'small' }, styleOverrides: { root: { padding: 6 } } },
    MuiRadio: { defaultProps: { size: 'small' }, styleOverrides: { root: { padding: 6 } } },
    MuiSlider: {
      defaultProps: { size: 'small' },
      styleOverrides: { root: { display: 'block' }, thumb: { '&.Mui-focusVisible': focusRing } },
    },
    MuiPaper: {
      defaultProps: { elevation: 0 },
      styleOverrides: { root: { border: `1px solid ${T.hairline}`, backgroundImage: 'none' } },
    },
    MuiDialogTitle: { styleOverrides: { root: { fontSize: 20, fontWeight: 640, paddingBottom: 8 } } },
    MuiTooltip: {
      defaultProps: { enterDelay: 300, describeChild: true },
      styleOverrides: { tooltip: { backgroundColor: T.ink, fontSize: 13, maxWidth: 360 } },
    },
    MuiTabs: {
      styleOverrides: { root: { minHeight: 40, borderBottom: `1px solid ${T.hairline}` } },
    },
    MuiTab: {
      styleOverrides: {
        root: {
          minHeight: 40,
          minWidth: 0,
          padding: '6px 4px',
          whiteSpace: 'nowrap',
          fontSize: 13,
          fontWeight: 600,
          letterSpacing: 0,
          color: T.muted,
          '&.Mui-focusVisible': { ...focusRing, outlineOffset: -3 },
        },
      },
    },
    MuiTableCell: {
      styleOverrides: {
        root: {
          fontSize: 14,
          lineHeight: 1.4,
          padding: '7px 10px',
          borderBottomColor: T.hairlinePale,
          color: T.ink,
          fontStretch: '92%',
          '&:first-of-type': { paddingLeft: 16 },
          '&:last-of-type': { paddingRight: 16 },
        },
        head: {
          fontSize: 12,
          fontWeight: 560,
          color: T.muted,
          padding: '6px 10px',
          borderBottomColor: T.hairline,
          backgroundColor: T.surface,
          whiteSpace: 'nowrap',
        },
        footer: { borderBottom: 0 },
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          textTransform: 'none',
          fontWeight: 500,
          borderColor: T.edge,
          color: T.ink,
          whiteSpace: 'nowrap',
          '&.Mui-selected': { backgroundColor: T.brinePale, color: T.brine, fontWeight: 650 },
          variants: [{ props: { size: 'small' }, style: { padding: '3px 10px', minHeight: 32 } }],
        },
      },
    },
    MuiMenuItem: { styleOverrides: { root: { minHeight: 40, whiteSpace: 'normal' } } },
    MuiAutocomplete: { styleOverrides: { option: { minHeight: 40 }, paper: { borderColor: T.edge } } },
    MuiAccordion: {
      defaultProps: { disableGutters: true, square: true },
      styleOverrides: { root: { '&::before': { display: 'none' } } },
    },
    MuiLinearProgress: { styleOverrides: { root: { borderRadius: 2, height: 5 } } },
  },
});
