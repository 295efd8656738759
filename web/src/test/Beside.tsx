import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { comparisonQuery, comparisonsList } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { FoundList } from '../ui/FoundList';
import { say } from '../words/say';

/** An earlier comparison that stands beside this one; the two are not run together. */
export function Beside({ id, onId }: { id: string | null; onId: (id: string | null) => void }) {
    const { data: control } = useQuery({ ...comparisonQuery(id ?? ''), enabled: id !== null });
    const [choosing, setChoosing] = useState(false);
    return (
        <section className="flex flex-wrap items-center gap-x-3 gap-y-1" aria-label={say('test.stands_beside')}>
            {id === null ? null : (
                <p>
                    <strong>{say('test.stands_beside')}</strong> {control?.title ?? '…'}, <em>{say('test.not_run_together')}</em>
                </p>
            )}
            <Button tone="quiet" onClick={() => setChoosing(true)}>
                {id === null ? say('test.put_an_earlier_one_beside') : say('test.choose_another')}
            </Button>
            {id === null ? null : (
                <Button tone="quiet" onClick={() => onId(null)}>
                    {say('test.take_it_away')}
                </Button>
            )}
            {choosing ? (
                <Dialog title={say('test.put_an_earlier_one_beside')} open onOpen={setChoosing}>
                    <p className="mb-3">{say('test.never_pooled')}</p>
                    <FoundList
                        list={comparisonsList}
                        placeholder={say('test.title_or_lot')}
                        nothing={say('test.no_comparison_has_these_words')}
                        none={<p>{say('test.no_comparison_has_these_words')}</p>}
                        row={(each) => (
                            <li key={each.id} className="border-b border-line">
                                <button
                                    type="button"
                                    className="min-h-11 w-full py-1 text-left hover:bg-well"
                                    onClick={() => {
                                        onId(each.id);
                                        setChoosing(false);
                                    }}
                                >
                                    <span className="font-[650]">{each.title}</span> <span className="text-soft">{`${each.lotLabel}, ${each.printerName}`}</span>
                                </button>
                            </li>
                        )}
                    />
                </Dialog>
            ) : null}
        </section>
    );
}
