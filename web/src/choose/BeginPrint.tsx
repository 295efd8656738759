import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { useKey } from '../ui/draft';
import { TextField } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { say } from '../words/say';
import type { Asked } from './request';

/** Logs the print that begins now: what is said of it is kept, to be held against how it comes out. */
export function BeginPrint({ candidate, asked, material }: { candidate: Schemas['Candidate']; asked: Asked; material: string }) {
    const id = useKey();
    const [title, setTitle] = useState('');
    const begin = useChange(() => ask(api.POST('/api/jobs', { body: { id, title: title.trim() || say('prints.part_in', { material }), key: candidate.key, asked } })), ['jobs', 'overview']);
    if (begin.data) {
        return (
            <Notice tone="sound">
                {say('prints.it_is_logged')} <Link to="/prints">{say('prints.to_the_prints')}</Link>
            </Notice>
        );
    }
    return (
        <form
            className="no-print flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                begin.mutate(undefined);
            }}
        >
            <div className="min-w-56 flex-1">
                <TextField label={say('prints.what_is_printed')} value={title} onValue={setTitle} placeholder={say('prints.part_in', { material })} maxLength={160} />
            </div>
            <Button tone="main" type="submit" disabled={begin.isPending}>
                {say('prints.begin_the_print')}
            </Button>
            <Fault error={begin.error} />
        </form>
    );
}
