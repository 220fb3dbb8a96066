import { cleanup, configure, render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { createStore } from '../app/store.ts';
import { Look, Toasts } from '../ui/index.ts';

/** What was not found, without the whole page around it. What comes is waited for longer than a second: machines are slow. */
configure({ getElementError: (message) => new Error(message ?? 'not found'), asyncUtilTimeout: 15_000 });

afterEach(() => {
  cleanup();
  localStorage.clear();
  sessionStorage.clear();
});

/** Shows a part of a page as the application does, and hands back the person at it. */
export function show(part: React.ReactNode) {
  const store = createStore();
  const around = ({ children }: { children: React.ReactNode }): React.ReactNode => (
    <Provider store={store}>
      <Look>
        <Toasts>
          <MemoryRouter>{children}</MemoryRouter>
        </Toasts>
      </Look>
    </Provider>
  );
  return { ...render(part, { wrapper: around }), user: userEvent.setup({ document }), store };
}
