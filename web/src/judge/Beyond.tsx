import { Link } from '@tanstack/react-router';

import { api, ask, type Schemas } from '../api/client';
import { useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { Fault, Notice } from '../ui/Notice';
import { MarkKey, PlateMap } from '../ui/PlateMap';
import { day, useQuantity } from '../ui/quantity';
import { VerdictWord } from '../ui/Verdict';
import { say } from '../words/say';

type Judgement = Schemas['Judgement'];

const LINE = 28;
const PRINT = 30;

/** How long each coat lasted: a print a box, until the first that failed. */
export function CoatLives({ id, coats }: { id: string; coats: Judgement['coats'] }) {
    return coats.map(({ setup, agentName, takenOver, careAfter, coats: lives, sentences }) => {
        const most = Math.max(...lives.map((life) => life.prints));
        return (
            <section key={setup} className="mb-6 border-l-4 border-accent bg-accent-wash px-5 py-3" aria-label={say('judge.how_long_the_coat_lasts')}>
                <p className="text-sm font-[650]">{say('judge.how_long_the_coat_lasts')}</p>
                <p className="text-xl font-[650]">{sentences[lives.length]}</p>
                <svg viewBox={`0 0 ${70 + most * PRINT} ${lives.length * LINE + 4}`} className="my-2 h-auto w-full" style={{ maxWidth: `${70 + most * PRINT}px` }} role="img" aria-label={sentences.slice(0, lives.length).join(' ')}>
                    {lives.map((life, i) => (
                        <g key={i} transform={`translate(0 ${i * LINE})`}>
                            <text y="18" className="fill-ink text-[14px]">
                                {say('judge.coat', { number: i + 1 })}
                            </text>
                            {Array.from({ length: life.prints }, (_, k) => {
                                const failed = life.failedAt === k + 1;
                                return (
                                    <g key={k} transform={`translate(${70 + k * PRINT} 2)`}>
                                        <rect width="24" height="20" rx="3" className={failed ? 'fill-fault-wash stroke-fault' : life.failedAt !== null && k + 1 > life.failedAt ? 'fill-none stroke-line' : 'fill-sound-wash stroke-sound'} strokeWidth="1.5" />
                                        {failed ? <path d="M7 5L17 15M17 5L7 15" className="stroke-fault" strokeWidth="2.2" /> : null}
                                    </g>
                                );
                            })}
                        </g>
                    ))}
                </svg>
                {[...sentences.slice(0, lives.length), ...sentences.slice(lives.length + 1)].map((sentence) => (
                    <p key={sentence}>{sentence}</p>
                ))}
                {agentName === null ? null : <TakeOver id={id} setup={setup} agentName={agentName} prints={careAfter} takenOver={takenOver} />}
            </section>
        );
    });
}

/** Care and Choose go by what the test showed, once somebody says so. */
function TakeOver({ id, setup, agentName, prints, takenOver }: { id: string; setup: string; agentName: string; prints: number; takenOver: number | null }) {
    const may = useMay();
    const take = useChange((to: boolean) => (to ? ask(api.POST('/api/comparisons/{id}/coat-life', { params: { path: { id } }, body: { setup } })) : ask(api.POST('/api/comparisons/{id}/coat-life/withdraw', { params: { path: { id } }, body: { setup } }))), ['comparisons', 'care', 'overview']);
    return (
        <div className="mt-3 flex flex-wrap items-center gap-3 print:hidden">
            {takenOver === null ? null : <p>{say('judge.care_goes_by', { agent: agentName, prints: takenOver })}</p>}
            {may.test && takenOver !== prints ? (
                <Button onClick={() => take.mutate(true)} disabled={take.isPending}>
                    {say('judge.let_care_go_by', { agent: agentName, prints })}
                </Button>
            ) : null}
            {may.test && takenOver !== null ? (
                <Button tone="quiet" onClick={() => take.mutate(false)} disabled={take.isPending}>
                    {say('judge.take_that_back')}
                </Button>
            ) : null}
            <Fault error={take.error} />
        </div>
    );
}

/** Where on the plate parts failed or harm was done. */
export function WhereItFailed({ places }: { places: Judgement['places'] }) {
    if (places.length === 0) return null;
    return (
        <section className="mt-8" aria-label={say('judge.where_on_the_plate')}>
            <h2 className="mb-2">{say('judge.where_on_the_plate')}</h2>
            <div className="flex flex-wrap gap-x-8 gap-y-4">
                {places.map((place) => (
                    <figure key={place.setup} className="w-56">
                        <figcaption className="mb-1">{say('judge.marks_of', { setup: place.setup, failed: place.marks.filter((mark) => mark.kind === 'failed').length, runs: place.runs })}</figcaption>
                        <PlateMap map={place} marks={place.marks} label={say('judge.plate_of', { setup: place.setup })} narrow />
                    </figure>
                ))}
            </div>
            <MarkKey kinds={[...new Set(places.flatMap((place) => place.marks.map((mark) => mark.kind)))]} />
        </section>
    );
}

/** An earlier comparison beside this one, each for itself. */
export function Control({ control }: { control: Judgement['control'] }) {
    const force = useQuantity('force');
    if (!control) return null;
    return (
        <section className="mt-8" aria-label={say('judge.stands_beside')}>
            <h2 className="mb-1">
                {say('judge.stands_beside')}{' '}
                <Link to="/judge/$id" params={{ id: control.id }} className="underline underline-offset-2">
                    {control.title}
                </Link>
                {control.startedAt ? `, ${day(control.startedAt)}` : ''}
            </h2>
            <Notice tone="caution">{control.differs}</Notice>
            <ul>
                {control.setups.map((setup) => (
                    <li key={setup.name} className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-b border-line py-2">
                        <span>
                            {setup.name}{' '}
                            <span className="text-soft">
                                {say('judge.beside_figures', { held: setup.held, heldRuns: setup.heldRuns, hasHot: setup.hotPullN !== null, hasCold: setup.coldPullN !== null, hot: setup.hotPullN === null ? '' : force.text(setup.hotPullN), cold: setup.coldPullN === null ? '' : force.text(setup.coldPullN) })}
                            </span>
                        </span>
                        <VerdictWord verdict={setup.verdict} words={setup.words} />
                    </li>
                ))}
            </ul>
        </section>
    );
}
