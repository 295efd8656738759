import { createContext, useContext, type ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { Empty } from '../ui/Sheet';
import { say } from '../words/say';

type Form<Kind extends string, Row> = { kind: Kind; row: Row | null; from: Row | null };
export type Editing = Form<'printer', Schemas['Printer']> | Form<'plate', Schemas['Plate']> | Form<'agent', Schemas['Agent']> | Form<'lot', Schemas['Lot']> | Form<'gauge', Schemas['Gauge']> | Form<'feeler', Schemas['Feeler']> | Form<'thermometer', Schemas['Thermometer']> | Form<'surface', Schemas['OwnSurface']> | Form<'material', Schemas['OwnMaterial']> | { kind: 'fitting'; row: Schemas['PlateSide'] };

export type TabProps = { onEdit: (editing: Editing) => void; may: boolean; find: string; retired: boolean };

/** What is looked for, and what is in use unless the retired are wanted too. */
export function kept<T extends { retired: boolean }>(rows: T[], { find, retired }: TabProps, words: (row: T) => (string | undefined)[]): T[] {
    const wanted = find.toLowerCase().split(/\s+/);
    return rows.filter((row) => (retired || !row.retired) && wanted.every((word) => words(row).join(' ').toLowerCase().includes(word)));
}

/** The words above the cells, which stand before each of them on a phone. */
const Head = createContext<string[]>([]);

export function Ledger({ head, none, children }: { head: string[]; none: string | null; children: ReactNode }) {
    if (none) return <Empty>{none}</Empty>;
    return (
        <div className="overflow-x-auto">
            <table className="ledger stacks w-full">
                <thead>
                    <tr>
                        {head.map((word) => (
                            <th key={word}>{word}</th>
                        ))}
                        <th aria-label={say('shelf.change_2')} />
                    </tr>
                </thead>
                <tbody>
                    <Head value={head}>{children}</Head>
                </tbody>
            </table>
        </div>
    );
}

export function Row({ cells, retired, action, copy, name }: { cells: ReactNode[]; retired: boolean; action: (() => void) | null; copy: (() => void) | null; name: string }) {
    const head = useContext(Head);
    return (
        <tr className={retired ? 'text-soft' : ''}>
            {cells.map((cell, i) => (i === 0 ? <th key={i} scope="row">{cell}{retired ? <span className="block text-sm font-normal">{say('shelf.retired_2')}</span> : null}</th> : <td key={i} data-label={head[i]}>{cell}</td>))}
            <td className="text-right whitespace-nowrap">
                {copy ? (
                    <Button tone="quiet" className="px-2!" onClick={copy} aria-label={say('shelf.copy', { name })}>{say('shelf.copy_2')}</Button>
                ) : null}
                {action ? (
                    <Button tone="quiet" className="px-2!" onClick={action} aria-label={say('shelf.change_3', { name })}>{say('shelf.change_2')}</Button>
                ) : null}
            </td>
        </tr>
    );
}
