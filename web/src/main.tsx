import './app.css';

import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from '@tanstack/react-router';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';

import { Problem } from './api/client';
import { applyTheme, storedTheme } from './ui/theme';
import { createAppRouter } from './router';

// Parts of the primitives add style sheets of their own; they take the nonce from here.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
Object.assign(globalThis, { __webpack_nonce__: nonce });

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

applyTheme(storedTheme());
const root = document.getElementById('root');
if (root) {
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={queries}>
                <RouterProvider router={createAppRouter(queries)} />
            </QueryClientProvider>
        </StrictMode>,
    );
}
