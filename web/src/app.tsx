import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from '@tanstack/react-router';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';

import { Problem } from './api/client';
import { createAppRouter } from './router';
import { keepOnDevice } from './shell/keepOnDevice';

/** Draws the interface; the words are there by now. */
export function start(): void {
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
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={queries}>
                <RouterProvider router={createAppRouter(queries)} />
            </QueryClientProvider>
        </StrictMode>,
    );
}
