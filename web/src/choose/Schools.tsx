import type { Schemas } from '../api/client';
import { say } from '../words/say';

/** Questions on which practitioners disagree, each with our default. */
export function Schools({ schools }: { schools: Schemas['School'][] }) {
    return schools.map((school) => (
        <details key={school.id}>
            <summary className="flex min-h-11 cursor-pointer items-center border-b border-line text-ink underline decoration-line underline-offset-4">{school.question}</summary>
            <ul className="mt-2 list-disc pl-5">
                {school.schools.map((each) => (
                    <li key={each}>{each}</li>
                ))}
            </ul>
            <p className="my-2">
                <strong>{say('choose.here')}</strong> {school.default} {school.why}
            </p>
        </details>
    ));
}
