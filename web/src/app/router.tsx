import { t } from '../words/index.ts';
import { Navigate, createBrowserRouter, useRouteError } from 'react-router';
import { Shell } from '../pages/Shell.tsx';
import { Button, Empty } from '../ui/index.ts';

/** Says what broke and offers the way on; the rest of the application stays. */
function Broken() {
  const error = useRouteError();
  const isMissing = (error as { status?: number } | null)?.status === 404;
  return (
    <Empty
      isPage
      title={isMissing ? t('There is no such page') : t('This page broke')}
      action={
        <Button look="primary" to="/orders">
          {t('Back to the orders')}
        </Button>
      }
    >
      {isMissing
        ? t('The address may be old.')
        : t('Nothing you saved is lost. Reload the page; if it breaks again, go back to the orders.')}
    </Empty>
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
    hydrateFallbackElement: <Empty title={t('Opening …')}>{null}</Empty>,
    children: [
      {
        errorElement: <Broken />,
        children: [
          { index: true, element: <Navigate to="/orders" replace /> },
          {
            path: 'today',
            lazy: async () => ({ Component: (await import('../pages/TodayPage.tsx')).TodayPage }),
          },
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
            path: 'film',
            lazy: async () => ({ Component: (await import('../pages/FilmPage.tsx')).FilmPage }),
          },
          {
            path: 'film/kept',
            lazy: async () => ({ Component: (await import('../pages/KeptFilmPage.tsx')).KeptFilmPage }),
          },
          {
            path: 'film/shelf/:packetId?',
            lazy: async () => ({ Component: (await import('../pages/ShelfPage.tsx')).ShelfPage }),
          },
          {
            path: 'film/:layoutId',
            lazy: async () => ({ Component: (await import('../pages/FilmLayoutPage.tsx')).FilmLayoutPage }),
          },
          {
            path: 'spray/:machineId?',
            lazy: async () => ({ Component: (await import('../pages/SprayPage.tsx')).SprayPage }),
          },
          {
            path: 'presses/bench',
            lazy: async () => ({ Component: (await import('../pages/BenchPage.tsx')).BenchPage }),
          },
          {
            path: 'presses/:machineId?/:view?',
            lazy: async () => ({ Component: (await import('../pages/PressesPage.tsx')).PressesPage }),
          },
          {
            path: 'plan/hours',
            lazy: async () => ({ Component: (await import('../pages/HoursPage.tsx')).HoursPage }),
          },
          {
            path: 'plan',
            lazy: async () => ({ Component: (await import('../pages/PlanPage.tsx')).PlanPage }),
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
            path: 'kit',
            lazy: async () => ({ Component: (await import('../pages/kit/KitPage.tsx')).KitPage }),
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
