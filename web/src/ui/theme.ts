import { createTheme } from '@mui/material/styles';

/** The component library in our own face: flat, hairlines, 4 px, 44 px targets. */
export const theme = createTheme({
  palette: {
    primary: { main: '#0B6B73', contrastText: '#FFFFFF' },
    error: { main: '#C2305A' },
    text: { primary: '#0F2A30', secondary: '#4C646B' },
    background: { default: '#F5F8F9', paper: '#FFFFFF' },
    divider: '#D5DEE1',
  },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: "'Archivo Variable', system-ui, sans-serif",
    fontSize: 14,
    button: { textTransform: 'none', fontWeight: 600 },
  },
  transitions: { duration: { enteringScreen: 120, leavingScreen: 90 } },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: {
          minHeight: 40,
          paddingInline: 16,
          whiteSpace: 'nowrap',
          '&.Mui-focusVisible': { outline: '1px solid #0B6B73', outlineOffset: 2 },
        },
        sizeSmall: { minHeight: 32, paddingInline: 10 },
        outlined: { borderColor: '#9DB0B6', backgroundColor: '#FFFFFF' },
      },
    },
    MuiOutlinedInput: {
      styleOverrides: {
        root: { backgroundColor: '#FFFFFF', fontVariantNumeric: 'tabular-nums' },
        notchedOutline: { borderColor: '#8AA0A7' },
      },
    },
    MuiInputLabel: { styleOverrides: { root: { color: '#4C646B' } } },
    MuiFormHelperText: {
      styleOverrides: { root: { marginInline: 2, color: '#4C646B', '&.Mui-error': { color: '#9C1F45' } } },
    },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { border: '1px solid #D5DEE1' } } },
    MuiTooltip: { styleOverrides: { tooltip: { backgroundColor: '#0F2A30', fontSize: 13 } } },
  },
});
