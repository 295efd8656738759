import { useState, type ReactNode } from 'react';

import type { PagedList } from '../api/queries';
import { say } from '../words/say';
import { TextField } from './Field';
import { ShowMore } from './ShowMore';
import { Fault } from './Notice';
import { Empty } from './Sheet';
import { useFound } from './useFound';

/** A list that grows without end: searched on the server, and shown page by page. */
export function FoundList<Row extends { id: string }>({ list, placeholder, nothing, none, filters, row }: { list: PagedList<Row>; placeholder: string; /** What else narrows it down. */ filters?: ReactNode; /** Where no row has the words. */ nothing: string; /** Where there is no row at all. */ none: ReactNode; row: (each: Row) => ReactNode }) {
    const [find, setFind] = useState('');
    const { looked, pages, rows } = useFound(list, find);
    return (
        <>
            <div className={filters ? 'mb-3 grid grid-cols-2 gap-3 sm:grid-cols-3 xl:grid-cols-5' : 'mb-3 w-full sm:w-80'}>
                <TextField label={say('ui.find')} type="search" value={find} onValue={setFind} placeholder={placeholder} />
                {filters}
            </div>
            <Fault error={pages.error} />
            {pages.isPending ? (
                <p>{say('ui.looking')}</p>
            ) : rows.length === 0 ? (
                <Empty>{looked === '' ? none : <p>{nothing}</p>}</Empty>
            ) : (
                <ul>{rows.map(row)}</ul>
            )}
            <ShowMore pages={pages} />
        </>
    );
}
