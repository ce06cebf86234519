import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { api, Refused } from './api/client';
import { JobsPage } from './jobs/JobsPage';
import { Broken } from './workbench/Broken';
import { Start } from './workbench/Start';
import { Workbench } from './workbench/Workbench';

/** Whoever has to sign in is led there, and back; not whoever reads a job by its link, to whom little else is open. */
const askToSignIn = (error: unknown) => {
  if (error instanceof Refused && error.status === 401) {
    void leadToSignIn();
  }
};

async function leadToSignIn(): Promise<void> {
  const { pathname, search } = window.location;
  const job = /^\/jobs\/(\d+)/.exec(pathname)?.[1];
  const me = job === undefined ? null : await api.me(Number(job)).catch(() => null);
  if (me?.may.includes('see') !== true) {
    await router.navigate('/sign-in', { replace: true, state: { back: pathname + search } });
  }
}

const client = new QueryClient({
  queryCache: new QueryCache({ onError: askToSignIn }),
  mutationCache: new MutationCache({ onError: askToSignIn }),
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      // A refused request is not repeated; a server that is away may come back.
      retry: (count, error) => !(error instanceof Refused) && count < 3,
    },
  },
});

/** The pages about people, which nobody needs on one desk. */
const people = () => import('./people/pages');

const router = createBrowserRouter([
  {
    errorElement: <Broken />,
    children: [
      { path: '/', element: <Start /> },
      { path: '/sign-in', lazy: async () => ({ Component: (await people()).SignInPage }) },
      { path: '/invitations/:user', lazy: async () => ({ Component: (await people()).InvitationPage }) },
      { path: '/new-password', lazy: async () => ({ Component: (await people()).NewPasswordPage }) },
      { path: '/shared/:link', lazy: async () => ({ Component: (await people()).SharedPage }) },
      { path: '/people', lazy: async () => ({ Component: (await people()).PeoplePage }) },
      { path: '/trail', lazy: async () => ({ Component: (await people()).TrailPage }) },
      { path: '/account', lazy: async () => ({ Component: (await people()).AccountPage }) },
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
