import { LANGUAGE_TAGS } from '@saltflat/core/language';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import '@fontsource-variable/archivo/standard.css';
import '@fontsource/jetbrains-mono/500.css';
import './ui/theme/base.css';
import { startLive } from './api/live.ts';
import { router } from './app/router.tsx';
import { store } from './app/store.ts';
import { startOutbox } from './features/floor/outboxSender.ts';
import { Look, Toasts } from './ui/index.ts';
import { LANGUAGE } from './words/index.ts';

startLive(store.dispatch);
startOutbox(store);

document.documentElement.lang = LANGUAGE_TAGS[LANGUAGE];

const root = document.getElementById('root');
if (!root) throw new Error('index.html has no #root');
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <Look>
        <Toasts>
          <RouterProvider router={router} />
        </Toasts>
      </Look>
    </Provider>
  </StrictMode>,
);
