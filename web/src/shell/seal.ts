/** What only its owner opens again, on a device that others use meanwhile: AES-GCM by a key that the server gives to nobody else. */
export type Sealed = { sealed: ArrayBuffer; iv: Uint8Array<ArrayBuffer> };

/** @throws if the browser seals nothing for this page, or there is no key */
export async function seal(what: unknown, key: string): Promise<Sealed> {
    const iv = crypto.getRandomValues(new Uint8Array(12));
    const text = new TextEncoder().encode(JSON.stringify(await withoutBlobs(what)));
    return { sealed: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, await imported(key), text), iv };
}

/** @throws if the key is not the one that sealed it */
export async function unseal<What>({ sealed, iv }: Sealed, key: string): Promise<What> {
    const text = await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, await imported(key), sealed);
    return (await withBlobs(JSON.parse(new TextDecoder().decode(text)))) as What;
}

function imported(key: string): Promise<CryptoKey> {
    return crypto.subtle.importKey('raw', Uint8Array.from(atob(key), (each) => each.charCodeAt(0)), 'AES-GCM', false, ['encrypt', 'decrypt']);
}

/** A photo is no text: it stands as a data address. */
async function withoutBlobs(what: unknown): Promise<unknown> {
    if (what instanceof Blob) return { blob: await asAddress(what) };
    if (Array.isArray(what)) return Promise.all(what.map(withoutBlobs));
    if (typeof what !== 'object' || what === null) return what;
    return Object.fromEntries(await Promise.all(Object.entries(what).map(async ([name, each]) => [name, await withoutBlobs(each)] as const)));
}

async function withBlobs(what: unknown): Promise<unknown> {
    if (Array.isArray(what)) return Promise.all(what.map(withBlobs));
    if (typeof what !== 'object' || what === null) return what;
    if ('blob' in what && typeof what.blob === 'string') return asBlob(what.blob);
    return Object.fromEntries(await Promise.all(Object.entries(what).map(async ([name, each]) => [name, await withBlobs(each)] as const)));
}

function asAddress(blob: Blob): Promise<string> {
    return new Promise((resolve, reject) => {
        const reader = new FileReader();
        reader.onload = () => resolve(typeof reader.result === 'string' ? reader.result : '');
        reader.onerror = () => reject(reader.error ?? new Error('It cannot be read.'));
        reader.readAsDataURL(blob);
    });
}

function asBlob(address: string): Blob {
    const [head = '', data = ''] = address.split(',');
    return new Blob([Uint8Array.from(atob(data), (each) => each.charCodeAt(0))], { type: /^data:([^;]*)/.exec(head)?.[1] ?? '' });
}
