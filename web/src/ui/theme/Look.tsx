import GlobalStyles from '@mui/material/GlobalStyles';
import { ThemeProvider } from '@mui/material/styles';
import { theme } from './theme.ts';
import { tokenProperties } from './tokens.ts';

const properties = <GlobalStyles styles={{ ':root': tokenProperties() }} />;

/** Everything inside has our look. */
export function Look({ children }: { children: React.ReactNode }) {
  return (
    <ThemeProvider theme={theme}>
      {properties}
      {children}
    </ThemeProvider>
  );
}
