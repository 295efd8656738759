import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';

import type { PagedList } from '../api/queries';
import { say } from '../words/say';
import { Button } from './Button';
import { TextField } from './Field';
import { Fault } from './Notice';
import { Empty } from './Sheet';
import { usePause } from './usePause';

/** As many as the server gives at once: a page that is full may have another after it. */
const PAGE = 50;

/** A list that grows without end: searched on the server, and shown page by page. */
export function FoundList<Row extends { id: string }>({ list, placeholder, nothing, none, row }: { list: PagedList<Row>; placeholder: string; /** Where no row has the words. */ nothing: string; /** Where there is no row at all. */ none: ReactNode; row: (each: Row) => ReactNode }) {
    const [find, setFind] = useState('');
    const looked = usePause(find.trim());
    const pages = useInfiniteQuery({
        queryKey: [...list.key, looked],
        queryFn: ({ pageParam, signal }) => list.read(looked, pageParam, signal),
        initialPageParam: '',
        getNextPageParam: (last) => (last.length < PAGE ? undefined : last[last.length - 1]?.id),
        placeholderData: keepPreviousData,
    });
    const rows = pages.data?.pages.flat() ?? [];
    return (
        <>
            <div className="mb-3 w-full sm:w-80">
                <TextField label={say('ui.find')} type="search" value={find} onValue={setFind} placeholder={placeholder} />
            </div>
            <Fault error={pages.error} />
            {pages.isPending ? (
                <p>{say('ui.looking')}</p>
            ) : rows.length === 0 ? (
                <Empty>{looked === '' ? none : <p>{nothing}</p>}</Empty>
            ) : (
                <ul>{rows.map(row)}</ul>
            )}
            {pages.hasNextPage ? (
                <Button className="mt-4" disabled={pages.isFetchingNextPage} onClick={() => void pages.fetchNextPage()}>
                    {say('ui.show_more')}
                </Button>
            ) : null}
        </>
    );
}
