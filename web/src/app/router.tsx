import { Navigate, createBrowserRouter, useRouteError } from 'react-router';
import Button from '@mui/material/Button';
import { Shell } from '../pages/Shell.tsx';
import { Notice } from '../ui/Notice.tsx';

/** Says what broke and offers the way on; the rest of the application stays. */
function Broken() {
  const error = useRouteError();
  const isMissing = (error as { status?: number } | null)?.status === 404;
  return (
    <div className="empty">
      <h1>{isMissing ? 'There is no such page' : 'This page broke'}</h1>
      <p style={{ margin: '8px 0 16px' }}>
        {isMissing
          ? 'The address may be old.'
          : 'Nothing you saved is lost. Reload the page; if it breaks again, go back to the orders.'}
      </p>
      <Button variant="contained" href="/orders">
        Back to the orders
      </Button>
    </div>
  );
}

/** Every place has an address; each is loaded when first visited. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: (
      <main>
        <Broken />
      </main>
    ),
    hydrateFallbackElement: <Notice title="Saltflat">Opening …</Notice>,
    children: [
      {
        errorElement: <Broken />,
        children: [
          { index: true, element: <Navigate to="/orders" replace /> },
          {
            path: 'orders/new',
            lazy: async () => ({ Component: (await import('../pages/OrderFormPage.tsx')).OrderFormPage }),
          },
          {
            path: 'orders/:orderId/edit',
            lazy: async () => ({ Component: (await import('../pages/OrderFormPage.tsx')).OrderFormPage }),
          },
          {
            path: 'orders/:orderId?',
            lazy: async () => ({ Component: (await import('../pages/OrdersPage.tsx')).OrdersPage }),
          },
          {
            path: 'artwork/:lineId?',
            lazy: async () => ({ Component: (await import('../pages/ArtworkPage.tsx')).ArtworkPage }),
          },
          {
            path: 'route/:lineId?',
            lazy: async () => ({ Component: (await import('../pages/RoutePage.tsx')).RoutePage }),
          },
          {
            path: 'floor/:runId?',
            lazy: async () => ({ Component: (await import('../pages/FloorPage.tsx')).FloorPage }),
          },
          {
            path: 'ledger',
            lazy: async () => ({ Component: (await import('../pages/LedgerPage.tsx')).LedgerPage }),
          },
          {
            path: 'shop/:part?/:recordId?',
            lazy: async () => ({ Component: (await import('../pages/ShopPage.tsx')).ShopPage }),
          },
          {
            path: 'devices',
            lazy: async () => ({ Component: (await import('../pages/DevicesPage.tsx')).DevicesPage }),
          },
        ],
      },
    ],
  },
]);
