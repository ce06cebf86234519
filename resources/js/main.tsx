import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { Refused } from './api/client';
import { JobsPage } from './jobs/JobsPage';
import { Broken } from './workbench/Broken';
import { Start } from './workbench/Start';
import { Workbench } from './workbench/Workbench';

const client = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      // A refused request is not repeated; a server that is away may come back.
      retry: (count, error) => !(error instanceof Refused) && count < 3,
    },
  },
});

const router = createBrowserRouter([
  {
    errorElement: <Broken />,
    children: [
      { path: '/', element: <Start /> },
      { path: '/jobs', element: <JobsPage /> },
      { path: '/jobs/:job/:stage', element: <Workbench /> },
      { path: '*', element: <Navigate to="/" replace /> },
    ],
  },
]);

const root = document.getElementById('root');
if (root !== null) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </StrictMode>,
  );
}
