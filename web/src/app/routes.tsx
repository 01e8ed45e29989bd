import { createBrowserRouter, useRouteError } from 'react-router';
import { BoxView } from '../features/box/BoxView.tsx';
import { AppShell } from './shell/AppShell.tsx';
import { SignedIn } from './shell/SignIn.tsx';

function Broken() {
  const error = useRouteError();
  return (
    <main className="p-6">
      <h1 className="text-fly font-bold mb-2">Something broke</h1>
      <p className="mb-1">{error instanceof Error ? error.message : 'This page does not exist.'}</p>
      <p className="mb-4">What was saved is safe, and what was not is kept on this device.</p>
      <a className="sheet-button primary" href="/">
        To the box
      </a>
    </main>
  );
}

/** Every view and where it is found. */
export const router = createBrowserRouter([
  {
    element: (
      <SignedIn>
        <AppShell />
      </SignedIn>
    ),
    errorElement: <Broken />,
    hydrateFallbackElement: <p className="p-6 text-ink2">Opening</p>,
    children: [
      { path: '/', element: <BoxView /> },
      {
        path: '/fly/:id',
        lazy: async () => ({ Component: (await import('../fly/frame/FlyOnBench.tsx')).FlyOnBench }),
        children: [
          {
            index: true,
            lazy: async () => ({ Component: (await import('../features/bench/BenchView.tsx')).BenchView }),
          },
          {
            path: 'balance',
            lazy: async () => ({ Component: (await import('../features/balance/BalanceView.tsx')).BalanceView }),
          },
          {
            path: 'balance/seen',
            lazy: async () => ({ Component: (await import('../features/seen/SeenView.tsx')).SeenView }),
          },
          {
            path: 'sizes',
            lazy: async () => ({ Component: (await import('../features/sizes/SizesView.tsx')).SizesView }),
          },
          {
            path: 'sizes/gauge',
            lazy: async () => ({ Component: (await import('../features/sizes/SizesView.tsx')).GaugeView }),
          },
          {
            path: 'sheet',
            lazy: async () => ({ Component: (await import('../features/sheet/SheetView.tsx')).SheetView }),
          },
          {
            path: 'water',
            lazy: async () => ({ Component: (await import('../features/water/WaterView.tsx')).WaterView }),
          },
          {
            path: 'inspect',
            lazy: async () => ({ Component: (await import('../features/inspect/InspectView.tsx')).InspectView }),
          },
          { path: 'vise', lazy: async () => ({ Component: (await import('../features/vise/ViseView.tsx')).ViseView }) },
        ],
      },
      {
        path: '/drawers/:drawer?',
        lazy: async () => ({ Component: (await import('../features/drawers/DrawersView.tsx')).DrawersView }),
      },
      {
        path: '/batches/:id?',
        lazy: async () => ({ Component: (await import('../features/batches/BatchesView.tsx')).BatchesView }),
      },
      {
        path: '/batches/:id/vise',
        lazy: async () => ({ Component: (await import('../features/vise/BatchViseView.tsx')).BatchViseView }),
      },
      {
        path: '/log/:id?',
        lazy: async () => ({ Component: (await import('../features/log/LogView.tsx')).LogView }),
      },
      {
        path: '/drill',
        lazy: async () => ({ Component: (await import('../features/drill/DrillView.tsx')).DrillView }),
      },
      { path: '/trash', lazy: async () => ({ Component: (await import('../features/box/TrashView.tsx')).TrashView }) },
      {
        path: '/settings',
        lazy: async () => ({ Component: (await import('./settings/SettingsView.tsx')).SettingsView }),
      },
      { path: '/help', lazy: async () => ({ Component: (await import('./help/HelpView.tsx')).HelpView }) },
    ],
  },
]);
