import { ThemeProvider } from '@mui/material/styles';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import '@fontsource-variable/archivo/standard.css';
import '@fontsource/jetbrains-mono/500.css';
import './ui/tokens.css';
import { startLive } from './api/live.ts';
import { router } from './app/router.tsx';
import { store } from './app/store.ts';
import { startOutbox } from './features/floor/outboxSender.ts';
import { theme } from './ui/theme.ts';

startLive(store.dispatch);
startOutbox(store);

const root = document.getElementById('root');
if (!root) throw new Error('index.html has no #root');
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <ThemeProvider theme={theme}>
        <RouterProvider router={router} />
      </ThemeProvider>
    </Provider>
  </StrictMode>,
);
