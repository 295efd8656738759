import { Component, lazy, Suspense, useReducer, type ComponentType, type ReactNode } from 'react';

import { onReach } from '../api/client';
import { say } from '../words/say';

/**
 * A part of a page that is fetched when it is first wanted. Where it cannot be, a notice stands in its place and all around stays as it is; it is tried
 * again by hand, and as soon as the server is back.
 */
export function part<Props extends object>(load: () => Promise<ComponentType<Props>>): (props: Props & { meanwhile?: ReactNode }) => ReactNode {
    const wanted = () => lazy(async () => ({ default: await load() }));
    let Loaded: ComponentType<Props> = wanted();
    return function Part({ meanwhile = null, ...props }) {
        const [tries, again] = useReducer((count: number) => count + 1, 0);
        return (
            <Missing
                key={tries}
                onAgain={() => {
                    Loaded = wanted();
                    again();
                }}
            >
                <Suspense fallback={meanwhile}>
                    {/* What is left of the props is all that the part asks for. */}
                    <Loaded {...(props as unknown as Props)} />
                </Suspense>
            </Missing>
        );
    };
}

type Held = { onAgain: () => void; children: ReactNode };

class Missing extends Component<Held, { missing: boolean }> {
    override state = { missing: false };
    private deaf: () => void = () => undefined;

    static getDerivedStateFromError(): { missing: boolean } {
        return { missing: true };
    }

    override componentDidCatch(): void {
        this.deaf = onReach(() => this.props.onAgain());
    }

    override componentWillUnmount(): void {
        this.deaf();
    }

    override render(): ReactNode {
        if (!this.state.missing) return this.props.children;
        return (
            <span role="alert" className="inline-flex flex-wrap items-center gap-2 rounded border border-fault bg-fault-wash px-3 py-1 text-ink">
                {say('shell.part_missing')}
                <button type="button" className="min-h-11 underline" onClick={this.props.onAgain}>
                    {say('shell.try_again')}
                </button>
            </span>
        );
    }
}
