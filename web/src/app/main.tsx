import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { followTheme } from '../shared/settings/settings.ts';
import { reckonWith } from '../shared/solve/solver.ts';
import { router } from './routes.tsx';
import './styles.css';

followTheme();
reckonWith(() => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }));

const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <StrictMode>
      <RouterProvider router={router} />
    </StrictMode>,
  );
