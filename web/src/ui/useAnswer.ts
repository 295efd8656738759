import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { usePause } from './usePause';

/**
 * The answer to what somebody is typing: asked for when they pause, the one under way called off. Until it is here the
 * one before stands, and `behind` says that it answers something else. What comes with the question (what somebody looks
 * at) is asked for at once. Nothing is asked while there is no question.
 */
export function useAnswer<Q, A>(name: string, question: Q | null, send: (question: Q, signal: AbortSignal) => Promise<A>, besides: unknown = null) {
    const typed = JSON.stringify(question);
    const asked = usePause(typed);
    const { data, error } = useQuery({
        queryKey: [name, asked, besides],
        queryFn: async ({ signal }) => ({ to: asked, said: await send(JSON.parse(asked) as Q, signal) }),
        enabled: asked !== 'null',
        placeholderData: keepPreviousData,
    });
    return question === null ? { data: undefined, error: null, behind: false } : { data: data?.said, error, behind: data !== undefined && data.to !== typed };
}
