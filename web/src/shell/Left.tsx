import { useEffect } from 'react';

import { say } from '../words/say';
import { Door } from './Door';
import { tellWhenItIsBack } from './leaving';

/** Somebody signed out without network: nothing of them is shown, and nobody comes in before the server has heard of it. */
export function Left() {
    useEffect(() => tellWhenItIsBack(() => location.assign('/')), []);
    return (
        <Door title={say('shell.you_are_out')}>
            <p role="status">{say('shell.you_are_out_words')}</p>
        </Door>
    );
}
