import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
    root: 'web',
    base: '/build/',
    publicDir: false,
    plugins: [react(), tailwindcss()],
    build: {
        outDir: '../public/build',
        emptyOutDir: true,
        manifest: true,
        target: 'es2022',
        modulePreload: { polyfill: false },
        assetsInlineLimit: 0,
        rollupOptions: { input: 'web/src/main.tsx' },
    },
});
