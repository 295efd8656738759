/** Has the device keep what a reload without network needs; where the page is not served safely, it cannot. */
export function keepOnDevice(): void {
    if (!('serviceWorker' in navigator)) return;
    // Where the worker was there before the page, it has seen all that was loaded.
    const early = navigator.serviceWorker.controller !== null;
    void navigator.serviceWorker
        .register('/sw.js')
        .then(() => navigator.serviceWorker.ready)
        .then(({ active }) => {
            if (early) return;
            const files = [location.href, ...performance.getEntriesByType('resource').map((each) => each.name)];
            active?.postMessage(files.filter((file) => new URL(file).pathname.startsWith('/build/')));
        })
        // A browser that lets nothing be kept works all the same, with network.
        .catch(() => undefined);
}
