import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';

import type { PagedList } from '../api/queries';
import { usePause } from './usePause';

/** As many as the server gives at once: a page that is full may have another after it. */
const PAGE = 50;

/** The rows of a list that grows without end, searched on the server while somebody types, and read page by page. */
export function useFound<Row extends { id: string }>(list: PagedList<Row>, find: string) {
    const looked = usePause(find.trim());
    const pages = useInfiniteQuery({
        queryKey: [...list.key, looked],
        queryFn: ({ pageParam, signal }) => list.read(looked, pageParam, signal),
        initialPageParam: '',
        getNextPageParam: (last) => (last.length < PAGE ? undefined : last[last.length - 1]?.id),
        placeholderData: keepPreviousData,
    });
    return { looked, pages, rows: pages.data?.pages.flat() ?? [] };
}
