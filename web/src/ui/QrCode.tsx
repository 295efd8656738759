import { useQuery } from '@tanstack/react-query';
import { create } from 'qrcode';

import { networkQuery, settingsQuery } from '../api/queries';

/** Where codes lead: the address that a lead has set, else the one in the network of the shop, else that of this page. */
export function useAddress(): string {
    const { data } = useQuery(settingsQuery);
    const { data: network } = useQuery(networkQuery);
    return data?.address ? data.address : (network?.address ?? location.origin);
}

/** A code that a phone opens an address with; drawn, so that it prints sharp and a strict policy lets it. */
export function QrCode({ path, label, className = '' }: { path: string; label: string; className?: string }) {
    const { modules } = create(new URL(path, useAddress()).href, { errorCorrectionLevel: 'M' });
    const { size } = modules;
    let drawn = '';
    for (let y = 0; y < size; y++) for (let x = 0; x < size; x++) if (modules.get(y, x)) drawn += `M${x} ${y}h1v1h-1z`;
    return (
        <svg viewBox={`-2 -2 ${size + 4} ${size + 4}`} className={className} role="img" aria-label={label} shapeRendering="crispEdges">
            <rect x={-2} y={-2} width={size + 4} height={size + 4} fill="#fff" />
            <path d={drawn} fill="#1d1420" />
        </svg>
    );
}
