import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';

import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** Every language is a file beside the others, shipped as it is: a further one takes no code. */
const languages: Plugin = {
    name: 'languages',
    generateBundle() {
        for (const file of readdirSync('web/src/words').filter((name) => name.endsWith('.json'))) {
            this.emitFile({ type: 'asset', fileName: `words/${file}`, source: JSON.stringify(JSON.parse(readFileSync(`web/src/words/${file}`, 'utf8'))) });
        }
    },
};

/** What the device keeps of the build, for the worker; it carries which build it is of. */
const kept: Plugin = {
    name: 'kept',
    generateBundle(_, bundle) {
        const files = Object.keys(bundle)
            .filter((name) => name.startsWith('assets/'))
            .sort();
        this.emitFile({ type: 'asset', fileName: 'kept.json', source: JSON.stringify(files) });
        const worker = bundle['sw.js'];
        if (worker?.type === 'chunk') worker.code = worker.code.replace('%BUILD%', createHash('sha256').update(files.join()).digest('hex').slice(0, 12));
    },
};

export default defineConfig({
    root: 'web',
    base: '/build/',
    publicDir: false,
    plugins: [react(), tailwindcss(), languages, kept],
    build: {
        outDir: '../public/build',
        emptyOutDir: true,
        manifest: true,
        target: 'es2022',
        modulePreload: { polyfill: false },
        assetsInlineLimit: 0,
        rollupOptions: {
            // The worker is asked for by its own name: a browser looks there for a newer one.
            input: { main: 'web/src/main.tsx', sw: 'web/worker/sw.ts' },
            output: { entryFileNames: ({ name }) => (name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js') },
        },
    },
});
