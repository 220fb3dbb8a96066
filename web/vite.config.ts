import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** Parts of the component library that the first page is made of; menus, dialogs and pickers come when asked for. */
const MUI = [
  'utils',
  'styles',
  'internal',
  'transitions',
  'zero-styled',
  'Button',
  'ButtonBase',
  'CircularProgress',
  'FormControl',
  'FormHelperText',
  'FormLabel',
  'GlobalStyles',
  'InputAdornment',
  'InputBase',
  'InputLabel',
  'LinearProgress',
  'NativeSelect',
  'OutlinedInput',
  'TextareaAutosize',
  'Typography',
].map((part) => `@mui/material/${part}/`);

const LIBRARIES = [
  '@mui/system/',
  '@mui/styled-engine/',
  '@mui/utils/',
  '@mui/private-theming/',
  '@emotion/',
  '@reduxjs/',
  'react-redux/',
  'reselect/',
  'immer/',
  'redux/',
  'redux-thunk/',
  'use-sync-external-store/',
  '@tanstack/',
].map((part) => `node_modules/${part}`);

const OWN = [
  'api/',
  'keys/useKeys',
  'keys/registry',
  'keys/leader',
  'keys/targets',
  'person/',
  'trace/heatColour',
  'trace/layoutTrace',
  'trace/Spark',
  'units/writingSlice',
  'features/backups/',
  'features/orders/ArtThumb',
  'features/orders/dates.ts',
  'features/orders/Measuring',
  'features/orders/OrderTable.tsx',
  'features/orders/ordersApi',
  'ui/theme/',
  'ui/layout/boxes',
  'ui/layout/FillSplit',
  'ui/layout/Frame',
  'ui/layout/PageHead',
  'ui/layout/Panel',
  'ui/states/Note',
  'ui/states/Progress',
  'ui/states/StateMark',
  'ui/states/fileWords',
  'ui/states/useNow',
  'ui/states/useWidth',
  'ui/actions/Button',
  'ui/actions/MenuButton',
  'ui/fields/FieldFrame',
  'ui/fields/FieldProblem',
  'ui/fields/SearchField',
  'ui/fields/SelectField',
  'ui/fields/TextField',
  'ui/tables/',
].map((part) => `web/src/${part}`);

const CORE = ['placement/placements', 'work/lanes', 'work/times'].map((part) => `core/src/${part}`);

const FIRST_PAGE = [...MUI, ...LIBRARIES, ...OWN, ...CORE];

/** Within those, what only later pages use. */
const LATER = [
  'useRovingTabIndex',
  'internal/SwitchBase',
  'api/catalogueApi',
  'api/filmApi',
  'api/planApi',
  'api/pressesApi',
  'api/careApi',
  'api/lotsApi',
  'api/printersApi',
  'api/shelfApi',
  'api/sprayersApi',
  'api/takeFile',
];

/**
 * What the first page is made of goes in one file instead of thirty: each file is a request more, and its head a kilobyte.
 * What is not listed finds a file of its own, which is never wrong, only one more; a journey weighs them all.
 */
const base = {
  name: 'base',
  test: (id: string) =>
    FIRST_PAGE.some((part) => id.includes(part)) && !LATER.some((part) => id.includes(part)),
};

export default defineConfig({
  plugins: [react()],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    sourcemap: false,
    chunkSizeWarningLimit: 700,
    rolldownOptions: { output: { codeSplitting: { groups: [base] } } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4680' } },
});
