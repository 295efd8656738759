import { useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Cautions, Fault } from '../ui/Notice';
import { duration, useFigures, useShares } from '../ui/quantity';
import { SeatStrip } from '../ui/SeatStrip';
import { say } from '../words/say';
import { BeginPrint } from './BeginPrint';
import type { Asked, Job } from './request';

type Props = { candidate: Schemas['Candidate']; detail: Schemas['CandidateDetail']; job: Job; /** As it was asked for. */ asked: Asked; material: string; profileId: string | undefined; may: boolean; onDone: () => void };

/** All that the hand at the printer needs of a setup, on one card; and the bench is set to it in one touch. */
export function SetupCard({ candidate, detail, job, asked, material, profileId, may, onDone }: Props) {
    const figure = useFigures();
    const shares = useShares();
    const { bench } = useSession();
    const queries = useQueryClient();
    const [error, setError] = useState<Error | null>(null);
    const temperature = figure('temperature');
    const { release } = detail;
    const there = bench.printerId === candidate.printerId && bench.plateSideId === candidate.plateSideId && bench.agentId === candidate.agentId && bench.lotId === job.lotId;
    const put = async () => {
        try {
            await ask(api.PUT('/api/bench', { body: { printerId: candidate.printerId, plateSideId: candidate.plateSideId, agentId: candidate.agentId, lotId: job.lotId, roomC: job.roomC } }));
            setError(null);
            await Promise.all(['session', 'bench'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
        } catch (fault) {
            setError(fault instanceof Error ? fault : new Error(say('choose.not_read')));
        }
    };
    return (
        <Dialog wide title={say('choose.print_with', { label: candidate.label })} open onOpen={(open) => !open && onDone()}>
            <div className="flex flex-col gap-3">
                <p>
                    {say('choose.card_of', { material, printer: candidate.printerName, surface: candidate.surfaceName })} · <span className={candidate.estimate ? 'italic' : 'font-[650]'}>{candidate.known}</span>
                </p>
                <p className="flex flex-wrap items-end gap-x-8 gap-y-2">
                    <span className="text-[2.5rem] leading-none font-[650] text-accent">
                        {candidate.strip.axis === 's' ? say('unit.seconds', { figure: figure('count').bare(candidate.strip.target ?? candidate.strip.low) }) : candidate.dial ? temperature.text(candidate.dial.displayC) : say('choose.off')}
                    </span>
                    <span>
                        {candidate.dial?.words}
                        {typeof candidate.bedOtherC === 'number' ? say('choose.then', { bedOtherC: temperature.text(candidate.bedOtherC) }) : null}
                    </span>
                    <span>{say('choose.holds_and_lets_go_of', { hold: shares(candidate.hold.range90), release: shares(candidate.release.range90) })}</span>
                </p>
                <SeatStrip strip={candidate.strip} runs={candidate.ownRuns} label={candidate.label} />
                <div className="grid gap-x-8 gap-y-3 sm:grid-cols-2">
                    <section>
                        <h3 className="font-[650]">{say('choose.before_you_print')}</h3>
                        <ol className="list-decimal pl-5">
                            {[...candidate.steps.map((step) => step.words), ...(candidate.steps.some((step) => step.id === 'coat') && detail.putOn ? [detail.putOn] : []), ...(candidate.strip.axis === 's' ? [] : [say('choose.around_the_part_is', { foothold: candidate.foothold })]), ...detail.heeds].map((step) => (
                                <li key={step}>{step}</li>
                            ))}
                        </ol>
                    </section>
                    <section>
                        <h3 className="font-[650]">{say('choose.to_take_it_off')}</h3>
                        <ol className="list-decimal pl-5">
                            {release.steps.map((step) => (
                                <li key={step}>{step}</li>
                            ))}
                        </ol>
                        {release.waits.length > 0 ? <p className="text-soft">{release.waits.filter((wait) => wait.minutes !== null).map((wait) => `${wait.words}: ${duration(wait.minutes ?? 0)}`).join(' · ')}</p> : null}
                        {release.never.map((never) => (
                            <p key={never} className="font-[650]">{never}</p>
                        ))}
                    </section>
                </div>
                <Cautions sentences={detail.cautions} />
                <Fault error={error} />
                {may ? <BeginPrint candidate={candidate} asked={asked} material={material} /> : null}
                <div className="no-print flex flex-wrap gap-2">
                    {may ? (
                        <Button disabled={there} onClick={() => void put()}>{there ? say('choose.it_lies_on_the_bench') : say('choose.put_it_on_the_bench')}</Button>
                    ) : null}
                    {profileId ? (
                        <Button asChild>
                            <Link to="/keep/$id/card" params={{ id: profileId }}>{say('choose.card_of_the_profile')}</Link>
                        </Button>
                    ) : null}
                </div>
            </div>
        </Dialog>
    );
}
