import { createContext, lazy, Suspense, useContext, useEffect, useReducer, type ComponentType, type ReactNode } from 'react';

import { onReach } from '../api/client';
import { say } from '../words/say';

const Again = createContext<() => void>(() => undefined);

/**
 * A part of a page that is fetched when it is first wanted. Where it cannot be, a notice stands in its place and all around stays as it is; it is tried
 * again by hand, and as soon as the server is back.
 */
export function part<Props extends object>(load: () => Promise<ComponentType<Props>>): (props: Props & { meanwhile?: ReactNode }) => ReactNode {
    const wanted = () =>
        lazy(async (): Promise<{ default: ComponentType<Props> }> => {
            try {
                return { default: await load() };
            } catch {
                return { default: Missing };
            }
        });
    let Loaded: ComponentType<Props> = wanted();
    return function Part({ meanwhile = null, ...props }) {
        const [tries, again] = useReducer((count: number) => count + 1, 0);
        return (
            <Again
                value={() => {
                    Loaded = wanted();
                    again();
                }}
            >
                <Suspense key={tries} fallback={meanwhile}>
                    {/* What is left of the props is all that the part asks for. */}
                    <Loaded {...(props as unknown as Props)} />
                </Suspense>
            </Again>
        );
    };
}

function Missing(): ReactNode {
    const again = useContext(Again);
    useEffect(() => onReach(again), [again]);
    return (
        <span role="alert" className="inline-flex flex-wrap items-center gap-2 rounded border border-fault bg-fault-wash px-3 py-1 text-ink">
            {say('shell.part_missing')}
            <button type="button" className="min-h-11 underline" onClick={again}>
                {say('shell.try_again')}
            </button>
        </span>
    );
}
