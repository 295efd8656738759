import { useQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { catalogueQuery, jobsList, openJobsQuery, sidesQuery, useMay } from '../api/queries';
import { post, useOutbox, type JobCommand } from '../shell/outbox';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { optionsOf } from '../ui/Field';
import { FoundList } from '../ui/FoundList';
import { duration, moment, useFigures, useSetting } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { EFFORT_WORDS, OUTCOME_WORDS } from '../ui/words';
import { say } from '../words/say';
import { MoreToSay, NOTHING_MORE, Seen, type More } from './MoreToSay';
import { OtherSetup } from './OtherSetup';

type Job = Schemas['Job'];

const route = getRouteApi('/prints');

/** The everyday log: what prints now, and in two touches how each came out. */
export function Prints() {
    const { side } = route.useSearch();
    const may = useMay();
    const { data: all } = useQuery(openJobsQuery);
    const open = side === undefined ? all : all?.filter((job) => job.plateSideId === side);
    if (side !== undefined) return <OnSide side={side} open={open} />;
    return (
        <Sheet
            title={say('prints.prints')}
            lead={say('prints.lead')}
            actions={
                <>
                    <Button asChild>
                        <Link to="/prints/came-true">{say('prints.did_it_come_true')}</Link>
                    </Button>
                    <Button asChild>
                        <Link to="/prints/learned">{say('prints.what_was_learned')}</Link>
                    </Button>
                    <Button asChild>
                        <Link to="/prints/report">{say('report.title')}</Link>
                    </Button>
                    {may.test ? (
                        <Button asChild tone="quiet">
                            <Link to="/prints/read-in">{say('prints.read_in')}</Link>
                        </Button>
                    ) : null}
                </>
            }
            margin={
                <MarginNote title={say('prints.what_they_are_for')}>
                    <p>{say('prints.they_wear_the_plate')}</p>
                    <p>{say('prints.they_are_no_runs')}</p>
                </MarginNote>
            }
        >
            <OpenOnes open={open} />
            <FoundList list={jobsList} placeholder={say('prints.title_printer_plate')} nothing={say('prints.no_print_has_these_words')} none={<p>{say('prints.none_yet')}</p>} row={(job) => <Done key={job.id} job={job} />} />
        </Sheet>
    );
}

/** What the code on a plate opens: what prints on it, to be answered in two touches. */
function OnSide({ side, open }: { side: string; open: Job[] | undefined }) {
    const { data: sides } = useQuery(sidesQuery);
    return (
        <Sheet
            title={say('prints.on_this_side', { side: sides?.find((each) => each.id === side)?.label ?? '' })}
            actions={
                <>
                    <Button asChild>
                        <Link to="/care/$id" params={{ id: side }}>{say('prints.map_of_it')}</Link>
                    </Button>
                    <Button asChild tone="quiet">
                        <Link to="/prints">{say('prints.all_prints')}</Link>
                    </Button>
                </>
            }
        >
            <OpenOnes open={open} />
            {open?.length === 0 ? (
                <Empty>
                    <p>{say('prints.nothing_open_here')}</p>
                    <p>
                        <Link to="/choose">{say('prints.choose_for_it')}</Link>
                    </p>
                </Empty>
            ) : null}
        </Sheet>
    );
}

function OpenOnes({ open }: { open: Job[] | undefined }) {
    return open && open.length > 0 ? (
        <ul aria-label={say('prints.wait_for_an_answer')} className="mb-8 flex flex-col gap-4">
            {open.map((job) => (
                <li key={job.id} className="border-l-4 border-accent bg-accent-wash px-4 py-3 sm:px-5">
                    <Open job={job} />
                </li>
            ))}
        </ul>
    ) : null;
}

function What({ job }: { job: Job }) {
    const bed = useSetting()({ bedC: job.bedFirstC, exposureS: job.exposureS });
    const { data: catalogue } = useQuery(catalogueQuery);
    const named = [job.materialId, ...job.alsoMaterialIds].map((id) => catalogue?.materials.find((each) => each.id === id)?.name ?? id);
    return <>{job.alsoMaterialIds.length > 0 ? `${named.join(' + ')}, ` : ''}{say('prints.setup', { side: job.sideLabel, agent: job.agentName ?? say('test.bare'), bed, printer: job.printerName, parts: job.parts })}</>;
}

function Open({ job }: { job: Job }) {
    const may = useMay();
    const share = useFigures()('share');
    const [outcome, setOutcome] = useState<Schemas['Outcome'] | null>(null);
    const [more, setMore] = useState<More>(NOTHING_MORE);
    const waiting = useOutbox().waiting.filter((entry) => entry.runId === job.id);
    const said = waiting.find((entry) => entry.command.kind === 'answer' || entry.command.kind === 'drop');
    const touch = (command: JobCommand) => void post(job, job.title, command);
    const answer = (next: Schemas['Outcome'], effort: number | null) => touch({ kind: 'answer', outcome: next, effort, ...more, marks: more.marks.filter((mark) => mark.kind !== 'failed' || next !== 'held') });
    const end = (next: Schemas['Outcome']) => {
        setOutcome(next);
        // What came off by itself is no longer taken off.
        if (!job.takenOff.includes(next)) answer(next, null);
    };
    return (
        <div className="flex flex-col gap-3">
            <div>
                <p className="text-xl font-[650]">{job.title}</p>
                <p>
                    <What job={job} />
                </p>
                <p className="text-soft">
                    {say('prints.begun', { at: moment(job.begunAt), by: job.begunBy })}
                    {job.plannedMinutes === null ? '' : say('prints.planned_for', { time: duration(job.plannedMinutes) })}
                    {job.saidChance === null ? '' : say('prints.was_said', { chance: share.text(job.saidChance) })}
                    {job.reportedMinutes === null ? '' : say('prints.printer_reported', { time: duration(job.reportedMinutes) })}
                </p>
                {job.assumed ? (
                    <>
                        <p className="font-[650] text-brass">{say('prints.setup_assumed')}</p>
                        {may.test ? (
                            <details>
                                <summary className="flex min-h-11 cursor-pointer items-center">{say('prints.it_was_another_setup')}</summary>
                                <OtherSetup job={job} />
                            </details>
                        ) : null}
                    </>
                ) : null}
            </div>
            {said ? (
                <p role="status" className="font-[650]">
                    {said.command.kind === 'answer' ? say('prints.noted', { how: OUTCOME_WORDS[said.command.outcome] }) : say('prints.not_printed')}
                </p>
            ) : may.test ? (
                <>
                    <ChoiceRow label={say('prints.how_did_it_end')} value={outcome} onValue={end} options={optionsOf(OUTCOME_WORDS)} />
                    {outcome !== null && job.takenOff.includes(outcome) ? <ChoiceRow label={say('prints.how_did_it_come_off')} value={null} onValue={(effort) => answer(outcome, Number(effort))} options={EFFORT_WORDS.map((label, i) => ({ value: String(i), label }))} /> : null}
                    <details>
                        <summary className="flex min-h-11 cursor-pointer items-center">{say('prints.more_to_say_first')}</summary>
                        <MoreToSay job={job} more={more} onMore={setMore} photosWait={waiting.length} onPhoto={(image) => touch({ kind: 'job_photo', image })} onDrop={() => touch({ kind: 'drop', reason: say('prints.was_not_printed') })} />
                    </details>
                </>
            ) : null}
        </div>
    );
}

function Done({ job }: { job: Job }) {
    return (
        <li className="grid gap-x-6 border-b border-line py-3 sm:grid-cols-[minmax(0,1fr)_16rem]">
            <div>
                <p className="text-lg font-[650]">{job.title}</p>
                <p className="text-soft">
                    <What job={job} />
                </p>
                {job.note ? <p className="text-soft">{job.note}</p> : null}
                <Seen job={job} />
            </div>
            <p>
                <strong className={job.cameTrue === false ? 'text-fault' : ''}>{job.status === 'open' ? say('prints.nobody_said_yet') : job.status === 'dropped' ? say('prints.not_printed') : OUTCOME_WORDS[job.outcome ?? 'held']}</strong>
                {job.effort === null ? null : <span className="block">{EFFORT_WORDS[job.effort]}</span>}
                <span className="block text-sm text-soft">{moment(job.answeredAt ?? job.begunAt)}</span>
            </p>
        </li>
    );
}
