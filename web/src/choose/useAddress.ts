import { getRouteApi, useNavigate, useRouter } from '@tanstack/react-router';
import { useEffect, useMemo, useRef, useState } from 'react';

import type { Schemas } from '../api/client';
import { usePause } from '../ui/usePause';
import { addressOf, jobOf, readAddress, withTheOnly, type Address } from './address';
import type { Job } from './request';

const route = getRouteApi('/choose');

type Shown = Pick<Address, 'look' | 'ticked' | 'pair' | 'beside' | 'all' | 'beyond'>;

const shownBy = ({ look, ticked, pair, beside, all, beyond }: Address): Shown => ({ look, ticked, pair, beside, all, beyond });

/** Job and view as the address has them. What is typed is written there when somebody pauses; what is opened is a step to go back from. */
export function useAddress(laid: Schemas['Bench'], lots: Schemas['Lot'][], printers: Schemas['Printer'][]) {
    const bench = useMemo(() => withTheOnly(laid, lots, printers), [laid, lots, printers]);
    const search = route.useSearch();
    const address = useMemo(() => readAddress(search), [search]);
    const navigate = useNavigate();
    const router = useRouter();
    const [job, setJob] = useState(() => jobOf(address, bench, lots));
    const [named, setNamed] = useState(address.named);
    // The page goes by what was touched last; the address follows when the router has come round to it.
    const [shown, setShown] = useState(() => shownBy(address));
    const stands = JSON.stringify(address);
    // What the router has yet to come round to, from where it is now on; what was written last is at its end.
    const written = useRef([stands]);
    const wanted = JSON.stringify(addressOf(job, bench, lots, { named, ...shown }));
    const settled = usePause(wanted);
    useEffect(() => {
        const reached = written.current.indexOf(stands);
        if (reached >= 0) {
            written.current = written.current.slice(reached);
            return;
        }
        // Gone back or forward, or come by a link.
        written.current = [stands];
        const moved = JSON.parse(stands) as Address;
        setJob(jobOf(moved, bench, lots));
        setNamed(moved.named);
        setShown(shownBy(moved));
    }, [stands, bench, lots]);
    useEffect(() => {
        // Whoever is on the way to another page goes on.
        if (settled === written.current.at(-1) || settled !== wanted || router.latestLocation.pathname !== '/choose') return;
        written.current.push(settled);
        void navigate({ to: '/choose', search: JSON.parse(settled) as Address, replace: true, resetScroll: false });
    }, [settled, wanted, navigate, router]);
    const show = (part: Partial<Shown>, replace = false) => {
        const then = { ...shown, ...part };
        const next = addressOf(job, bench, lots, { named, ...then });
        setShown(then);
        written.current.push(JSON.stringify(next));
        void navigate({ to: '/choose', search: next, replace, resetScroll: false });
    };
    return {
        job,
        named,
        look: shown.look ?? null,
        ticked: shown.ticked ?? [],
        pair: shown.pair ?? false,
        beside: shown.beside ?? null,
        all: shown.all ?? false,
        beyond: shown.beyond ?? false,
        set: (part: Partial<Job>) => setJob((was) => ({ ...was, ...part })),
        name: setNamed,
        show,
    };
}
