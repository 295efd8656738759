import { keepPreviousData, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery, fixCasesQuery, lotsQuery, sidesQuery, useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Field, SelectField, type Option } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { day, duration, useQuantity } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';
import { usePartReader } from '../choose/usePartReader';
import { Found } from './Found';
import { Trial } from './Trial';

const route = getRouteApi('/fix');

const PLACES: Option<Schemas['FailedWhere']>[] = [
    { value: 'one_edge', label: say('fix.one_edge') },
    { value: 'corners', label: say('fix.corners') },
    { value: 'one_spot', label: say('fix.one_spot') },
    { value: 'everywhere', label: say('fix.everywhere') },
];

export type Where = { symptomId: string; plateSideId: string | null; printerId: string | null; lotId: string | null; roomC: number; tried: string[] };

/** What is wrong is looked for one trial at a time; all that was said stands in the address, so that nothing is lost. */
export function Fix() {
    const search = route.useSearch();
    const navigate = route.useNavigate();
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { bench } = useSession();
    const plateSideId = search.side === undefined ? bench.plateSideId : search.side || null;
    const lotId = search.lot === undefined ? bench.lotId : search.lot || null;
    const where: Where = { symptomId: search.symptom ?? '', plateSideId, printerId: plateSideId === bench.plateSideId ? bench.printerId : null, lotId, roomC: bench.roomC, tried: search.tried ?? [] };
    const at = PLACES.find((each) => each.value === search.at)?.value ?? null;
    const part = search.part ?? null;
    const { data, error } = useQuery({
        queryKey: ['fix', where, at, part],
        queryFn: ({ signal }) => ask(api.POST('/api/fix', { signal, body: { ...where, where: at, part } })),
        enabled: search.symptom !== undefined,
        placeholderData: keepPreviousData,
    });
    const go = (next: { [Name in keyof typeof search]?: (typeof search)[Name] | undefined }) =>
        void navigate({ search: (was) => Object.fromEntries(Object.entries({ ...was, ...next }).filter(([, value]) => value !== undefined)) });
    const symptom = catalogue.checks.symptoms.find((each) => each.id === search.symptom);
    const next = data?.suspects.find((each) => each.id === data.nextId);
    const found = data?.suspects.find((each) => each.id === search.found);
    return (
        <Sheet
            title={symptom ? symptom.name : say('fix.what_is_wrong')}
            lead={symptom ? <Where plateSideId={plateSideId} lotId={lotId} /> : say('fix.say_what_you_see')}
            actions={
                symptom ? (
                    <Button tone="quiet" onClick={() => void navigate({ search: {} })}>
                        {say('fix.something_else_is_wrong')}
                    </Button>
                ) : undefined
            }
            margin={
                <>
                    {data?.takeOff ? <TakeOff off={data.takeOff} /> : null}
                    <MarginNote title={say('fix.how_this_is_worked_out')}>
                        <p>{say('fix.shares_in_words')}</p>
                        <p>{say('fix.cleaning_comes_before_any_change_of')}</p>
                    </MarginNote>
                    <Lately />
                </>
            }
        >
            {symptom ? null : (
                <div className="mb-6">
                    <ChoiceRow label={say('fix.what_you_see')} value={null} onValue={(id: string) => go({ symptom: id, tried: [], found: undefined })} options={catalogue.checks.symptoms.map((each) => ({ value: each.id, label: each.name }))} />
                </div>
            )}
            <Fault error={error} />
            {data && symptom ? (
                <>
                    {found || search.found === '' ? (
                        <Found where={where} cause={found ?? null} onBack={() => go({ found: undefined })} />
                    ) : next ? (
                        <Trial cause={next} takes={duration(data.expectedMinutes)} onHelped={() => go({ found: next.id })} onNot={() => go({ tried: [...where.tried, next.id] })} />
                    ) : (
                        <Notice tone="caution">
                            <p className="text-xl font-[650]">{say('fix.nothing_has_helped')}</p>
                            <p>{say('fix.compare_with_what_held')}</p>
                            <Button className="mt-2" onClick={() => go({ found: '' })}>
                                {say('fix.write_it_down')}
                            </Button>
                        </Notice>
                    )}
                    <Asked plateSideId={plateSideId} lotId={lotId} onSide={(side) => go({ side })} onLot={(lot) => go({ lot })} />
                    <PlaceAndPart at={at} marked={data.where} named={part ? (search.named ?? say('choose.part_by_its_figures')) : null} onAt={(next) => go({ at: next || undefined })} onPart={(next, named) => go({ part: next ?? undefined, named })} />
                    <Suspects found={data} onBack={(id) => go({ tried: where.tried.filter((each) => each !== id), found: undefined })} />
                </>
            ) : symptom ? null : (
                <Empty>
                    <p>{say('fix.choose_what_you_see_above')}</p>
                </Empty>
            )}
            {symptom ? null : <Asked plateSideId={plateSideId} lotId={lotId} onSide={(side) => go({ side })} onLot={(lot) => go({ lot })} />}
        </Sheet>
    );
}

function Where({ plateSideId, lotId }: { plateSideId: string | null; lotId: string | null }) {
    const { data: sides } = useSuspenseQuery(sidesQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    return say('fix.on_with', { side: sides.find((each) => each.id === plateSideId)?.label ?? say('fix.no_plate'), lot: lots.find((each) => each.id === lotId)?.label ?? say('fix.no_lot') });
}

function Asked({ plateSideId, lotId, onSide, onLot }: { plateSideId: string | null; lotId: string | null; onSide: (id: string) => void; onLot: (id: string) => void }) {
    const { data: sides } = useSuspenseQuery(sidesQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    return (
        <div className="mt-4 grid max-w-2xl gap-4 sm:grid-cols-2">
            <SelectField label={say('fix.on_which_plate')} value={plateSideId ?? ''} onValue={onSide} empty={say('fix.not_named')} options={sides.map((each) => ({ value: each.id, label: each.label }))} />
            <SelectField label={say('fix.with_which_lot')} value={lotId ?? ''} onValue={onLot} empty={say('fix.not_named')} options={lots.map((each) => ({ value: each.id, label: `${each.label} ${each.name}` }))} />
        </div>
    );
}

/** Where on the plate it fails, as the marks of the sheet say or somebody does, and the part that fails. */
function PlaceAndPart({ at, marked, named, onAt, onPart }: { at: Schemas['FailedWhere'] | null; marked: Schemas['FailedWhere'] | null; named: string | null; onAt: (at: string) => void; onPart: (part: Schemas['Part'] | null, named: string | undefined) => void }) {
    const reader = usePartReader(({ name, shape }) => onPart(shape.part, name));
    const words = PLACES.find((each) => each.value === marked)?.label;
    return (
        <div className="mt-4 grid max-w-2xl items-end gap-4 sm:grid-cols-2">
            <SelectField label={say('fix.where_it_fails')} value={at ?? ''} onValue={onAt} empty={words ? say('fix.as_marked', { where: words }) : say('fix.not_named')} options={PLACES} />
            {named === null ? (
                <Field label={say('fix.which_part')} hint={reader.state.kind === 'reading' ? say('choose.reading', { name: reader.state.name }) : undefined} error={reader.state.kind === 'failed' ? reader.state.error.message : undefined}>
                    {(ids) => <input {...ids} type="file" className="min-h-11 w-full py-1 text-soft file:mr-3 file:min-h-11 file:cursor-pointer file:rounded-sm file:border file:border-solid file:border-strong file:bg-sheet file:px-3 file:font-[650] file:text-ink" onChange={(event) => void reader.take(event.target.files?.[0])} />}
                </Field>
            ) : (
                <p className="flex flex-wrap items-center gap-x-3">
                    <strong>{named}</strong>
                    <Button tone="quiet" onClick={() => onPart(null, undefined)}>{say('fix.without_it')}</Button>
                </p>
            )}
        </div>
    );
}

/** What it may be, the likeliest trials first; the length of a bar is the share of belief. */
function Suspects({ found, onBack }: { found: Schemas['Diagnosis']; onBack: (id: string) => void }) {
    const share = useQuantity('share');
    return (
        <section aria-label={say('fix.what_it_may_be')} className="mt-6">
            <h2 className="mb-2">{say('fix.what_it_may_be')}</h2>
            <ol>
                {found.suspects.map((each) => (
                    <li key={each.id} className={`grid grid-cols-[minmax(0,1fr)_6rem] items-center gap-x-4 border-b border-line py-2 sm:grid-cols-[minmax(0,1fr)_9rem_7rem] ${each.tried ? 'text-soft' : ''}`}>
                        <span>
                            <span className={each.tried ? 'line-through' : each.id === found.nextId ? 'font-[650]' : ''}>{each.name}</span>
                            {each.why ? <span className="block text-sm text-soft">{each.why}</span> : null}
                            {each.here > 0 ? <span className="block text-sm text-soft">{say('fix.it_was_it_here', { here: each.here })}</span> : null}
                        </span>
                        <Bar share={each.share} words={share.text(each.share)} />
                        <span className={`text-right text-soft ${each.tried ? '' : 'hidden sm:block'}`}>
                            {each.tried ? (
                                <Button tone="quiet" onClick={() => onBack(each.id)} aria-label={say('fix.take_back_trial', { name: each.name })}>
                                    {say('fix.take_back')}
                                </Button>
                            ) : (
                                duration(each.minutes)
                            )}
                        </span>
                    </li>
                ))}
                <li className="grid grid-cols-[minmax(0,1fr)_6rem] items-center gap-x-4 py-2 text-soft sm:grid-cols-[minmax(0,1fr)_9rem_7rem]">
                    <span>{say('fix.something_else')}</span>
                    <Bar share={found.somethingElse} words={share.text(found.somethingElse)} />
                </li>
            </ol>
        </section>
    );
}

function Bar({ share, words }: { share: number; words: string }) {
    return (
        <span className="flex items-center gap-2">
            <svg viewBox="0 0 100 10" preserveAspectRatio="none" className="h-2.5 flex-1" aria-hidden>
                <rect width={100} height={10} fill="var(--well)" />
                <rect width={100 * share} height={10} fill="var(--accent)" />
            </svg>
            <span className="w-10 text-right">{words}</span>
        </span>
    );
}

function TakeOff({ off }: { off: NonNullable<Schemas['Diagnosis']['takeOff']> }) {
    return (
        <MarginNote title={say('fix.to_get_it_off_now')}>
            <ol className="list-decimal pl-5 text-ink">
                {off.steps.map((step) => (
                    <li key={step}>{step}</li>
                ))}
            </ol>
            <Notice tone="caution">
                {off.never.map((sentence) => (
                    <p key={sentence}>{sentence}</p>
                ))}
            </Notice>
        </MarginNote>
    );
}

function Lately() {
    const { data: cases } = useQuery(fixCasesQuery);
    return cases && cases.length > 0 ? (
        <MarginNote title={say('fix.lately')}>
            <ul className="flex flex-col gap-1">
                {cases.slice(0, 6).map((each) => (
                    <li key={each.id}>
                        {say('fix.lately_line', { symptom: each.symptom, side: each.sideLabel ?? say('fix.no_plate'), at: day(each.at) })} <strong>{each.cause ?? say('fix.was_not_found')}</strong>
                        {each.note ? `. ${each.note}` : ''}
                    </li>
                ))}
            </ul>
            <p>
                <Link to="/care">{say('fix.care')}</Link>
            </p>
        </MarginNote>
    ) : null;
}
