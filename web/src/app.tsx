import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from '@tanstack/react-router';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';

import { Problem } from './api/client';
import { createAppRouter } from './router';
import { keepOnDevice } from './shell/keepOnDevice';

/** A page that takes longer says so meanwhile. */
const PATIENCE_MS = 500;

/** Draws the interface; the words are there by now. */
export async function start(): Promise<void> {
    const queries = new QueryClient({
        defaultOptions: {
            // A workshop without internet still reaches its own server: whether the browser thinks it is online says nothing.
            mutations: { networkMode: 'always' },
            queries: {
                networkMode: 'always',
                staleTime: 5_000,
                retry: (count, error) => !(error instanceof Problem && error.status < 500) && count < 2,
            },
        },
    });
    keepOnDevice();
    const root = document.getElementById('root');
    if (!root) return;
    const router = createAppRouter(queries);
    // React holds back for a third of a second what follows a page that says that it waits: a quick server is waited for instead.
    await Promise.race([router.load().catch(() => undefined), new Promise((resolve) => setTimeout(resolve, PATIENCE_MS))]);
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={queries}>
                <RouterProvider router={router} />
            </QueryClientProvider>
        </StrictMode>,
    );
}
