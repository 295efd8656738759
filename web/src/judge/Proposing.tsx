import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';

import { assessQuery, usualQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { useFigures } from '../ui/quantity';
import { say } from '../words/say';

/** Whether the runs of a setup carry the least of profiles, and what is missing if not, in the words of the plan. */
function useCarried(setupId: string) {
    const { data: usual } = useQuery(usualQuery);
    const least = usual?.acceptance[0];
    const figure = useFigures();
    const { data } = useQuery({
        ...assessQuery({ setupId, anyLot: false, anyPlate: false, plan: { reliability: least?.reliability ?? 0.5, confidence: least?.confidence ?? 0.5, failuresAllowed: 0 } }),
        enabled: least !== undefined,
    });
    return { assessed: data, name: least ? `${figure('share').bare(least.reliability)}/${figure('share').bare(least.confidence)}` : '' };
}

/** The way to a profile where the evidence carries one; else what it takes. */
export function ProposeStep({ setupId, sentence }: { setupId: string; sentence: string }) {
    const { assessed, name } = useCarried(setupId);
    if (!assessed) {
        return null;
    }
    return assessed.carried ? (
        <Link className="font-[650] underline underline-offset-2" to="/keep/propose/$id" params={{ id: setupId }}>
            {sentence}
        </Link>
    ) : (
        <span>{say('judge.no_profile_yet', { name, missing: assessed.missing[0] ?? '' })}</span>
    );
}

export function ProposeButton({ setupId, label }: { setupId: string; label: string }) {
    const { assessed } = useCarried(setupId);
    return assessed?.carried ? (
        <Button asChild>
            <Link to="/keep/propose/$id" params={{ id: setupId }}>
                {say('judge.propose_a_profile_from', { setup: label })}
            </Link>
        </Button>
    ) : null;
}
