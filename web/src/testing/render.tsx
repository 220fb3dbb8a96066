import { cleanup, configure, render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { baseApi } from '../api/baseApi.ts';
import { liveSlice } from '../api/liveSlice.ts';
import { outboxSlice } from '../features/floor/outboxSlice.ts';
import { personSlice } from '../person/personSlice.ts';
import { unitsSlice } from '../units/unitsSlice.ts';
import { configureStore } from '@reduxjs/toolkit';
import { Look, Toasts } from '../ui/index.ts';

/** What was not found, without the whole page around it. */
configure({ getElementError: (message) => new Error(message ?? 'not found') });

afterEach(() => {
  cleanup();
  localStorage.clear();
  sessionStorage.clear();
});

/** Shows a part of a page as the application does, and hands back the person at it. */
export function show(part: React.ReactNode) {
  const store = configureStore({
    reducer: {
      [baseApi.reducerPath]: baseApi.reducer,
      [unitsSlice.name]: unitsSlice.reducer,
      [personSlice.name]: personSlice.reducer,
      [liveSlice.name]: liveSlice.reducer,
      [outboxSlice.name]: outboxSlice.reducer,
    },
    middleware: (own) => own({ serializableCheck: false }).concat(baseApi.middleware),
  });
  const around = ({ children }: { children: React.ReactNode }): React.ReactNode => (
    <Provider store={store}>
      <Look>
        <Toasts>
          <MemoryRouter>{children}</MemoryRouter>
        </Toasts>
      </Look>
    </Provider>
  );
  return { ...render(part, { wrapper: around }), user: userEvent.setup({ document }) };
}
