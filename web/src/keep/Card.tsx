import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';
import { useEffect, useState } from 'react';

import { profileQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { QrCode } from '../ui/QrCode';
import { day, useGap, useQuantity } from '../ui/quantity';
import { SeatStrip } from '../ui/SeatStrip';
import { MarginNote, Sheet } from '../ui/Sheet';
import { PROFILE_WORDS } from '../ui/words';
import { say } from '../words/say';
import { useScopeRows } from './ScopeText';

const route = getRouteApi('/keep/$id/card');
// In millimetres: the style sheets of browsers know A5 by name, but not A6.
const PAPER = { A6: '105mm 148mm', A5: '148mm 210mm' } as const;
// What the margins leave of it, in the points of the screen.
const INK = { A6: 358, A5: 520 } as const;
const SIZES = { A6: 'w-[105mm] min-h-[148mm]', A5: 'w-[148mm] min-h-[210mm] text-[15px]!' } as const;

/** The card that hangs at the printer, on one page. */
export function Card() {
    const { id } = route.useParams();
    const { data: profile } = useSuspenseQuery(profileQuery(id));
    const [size, setSize] = useState<keyof typeof SIZES>('A6');
    const temperature = useQuantity('temperature');
    const length = useQuantity('length');
    const seconds = useQuantity('count');
    const gap = useGap();
    const scopeRows = useScopeRows();
    const { setting, scope, release, preparation, cautions } = profile.document;
    const valid = profile.status === 'validated' || profile.status === 'trial';
    // The page size is a rule of the style sheet that the chosen card brings along.
    useEffect(() => {
        const sheet = new CSSStyleSheet();
        sheet.replaceSync(`@media print { @page { size: ${PAPER[size]}; margin: 0 } html, body { background: white } }`);
        document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
        return () => {
            document.adoptedStyleSheets = document.adoptedStyleSheets.filter((each) => each !== sheet);
        };
    }, [size]);
    const card = (
        <article aria-label={say('keep.profile_card')} className={`flex flex-col bg-white p-[5mm] text-[11.5px] leading-snug text-[#1d1420] ${SIZES[size]}`} data-theme="light">
            <header className="flex items-baseline justify-between border-b-2 border-[#5c2352] pb-1">
                <strong className="text-[1.45em] leading-tight">{profile.title}</strong>
            </header>
            <p className="mt-1 font-[650]">
                {valid ? (profile.doubts.length > 0 ? `${say('keep.in_question')} ` : '') : `${say('keep.not_valid')} `}
                {say('keep.revision', { status: PROFILE_WORDS[profile.status], revision: profile.revision })}
                {profile.signedAt ? `, ${profile.signedBy ?? ''}, ${day(profile.signedAt)}` : ''}
                {profile.reviewBy ? say('keep.review_by', { reviewBy: day(profile.reviewBy) }) : ''}
            </p>
            <p>{profile.accepted}</p>
            {profile.simulated ? <p>{profile.simulated}</p> : null}
            {profile.doubts.map((doubt) => (
                <p key={doubt.reason} className="font-[650]">
                    {say('keep.restored_by', { reason: doubt.reason, restoredBy: doubt.restoredBy })}
                </p>
            ))}
            <div className="mt-2 flex items-end justify-between gap-3">
                <p>
                    <span className="block text-[3.6em] leading-none font-[650]">{typeof setting.exposureS === 'number' ? say('unit.seconds', { figure: seconds.bare(setting.exposureS) }) : setting.bedFirstC === null ? say('keep.off') : temperature.text(setting.bedFirstC)}</span>
                    {typeof setting.exposureS === 'number' ? say('keep.exposure_of_the_bottom_layers') : profile.dial ? say('keep.first_layer', { words: profile.dial.words }) : say('keep.bed_on_the_first_layer')}{setting.bedOtherC !== null && setting.bedOtherC !== setting.bedFirstC ? say('keep.then', { bedOtherC: temperature.text(setting.bedOtherC) }) : ''}
                </p>
                <p className="text-right">
                    <span className="block text-[1.6em] leading-tight font-[650]">{setting.agentName ?? say('keep.bare')}</span>
                    {scope.surfaceName}
                </p>
            </div>
            {typeof setting.windowLowC === 'number' && typeof setting.windowHighC === 'number' && release.belowC !== null ? (
                <div className="mt-2">
                    <SeatStrip key={size} label={say('keep.seat')} firstWidth={INK[size]} strip={{ axis: '°C', low: setting.windowLowC, high: setting.windowHighC, target: profile.dial?.surfaceC ?? setting.bedFirstC, setPointC: setting.bedFirstC, releaseC: release.belowC, roomC: scope.roomLowC, stops: [] }} />
                </div>
            ) : null}
            {typeof setting.windowLowS === 'number' && typeof setting.windowHighS === 'number' && typeof setting.exposureS === 'number' ? (
                <div className="mt-2">
                    <SeatStrip key={size} label={say('keep.seat')} firstWidth={INK[size]} strip={{ axis: 's', low: setting.windowLowS, high: setting.windowHighS, target: setting.exposureS, setPointC: null, releaseC: null, roomC: scope.roomLowC, stops: [] }} />
                </div>
            ) : null}
            <dl className="mt-1 grid grid-cols-[auto_minmax(0,1fr)] gap-x-3">
                {scopeRows(profile.document).map(([name, value]) => (
                    <div key={name} className="contents">
                        <dt className="text-[#5b4e61]">{name}</dt>
                        <dd className="font-[650]">{value}</dd>
                    </div>
                ))}
                {typeof setting.exposureS === 'number' ? null : (
                    <>
                        <dt className="text-[#5b4e61]">{say('keep.nozzle')}</dt>
                        <dd className="font-[650]">
                            {say('keep.gap_2', { nozzleMm: length.text(setting.nozzleMm), nozzleFirstC: setting.nozzleFirstC === null ? '' : temperature.text(setting.nozzleFirstC), setting: gap(setting) })}
                        </dd>
                    </>
                )}
            </dl>
            <p className="mt-2">
                <strong>{say('keep.before')}</strong> {preparation.join(' ')}
            </p>
            <p className="mt-1">
                <strong>{say('keep.take_off')}</strong> {release.way}
            </p>
            {cautions.map((caution) => (
                <p key={caution} className="mt-1 border-l-4 border-[#7c5410] pl-2">
                    {caution}
                </p>
            ))}
            <footer className="mt-auto flex items-end justify-between gap-3 pt-2 text-[0.85em] text-[#5b4e61]">
                <span>{say('keep.sitzplatz_cautions_inform_local_rules_and', { series: profile.series.slice(-8) })}</span>
                <span className="shrink-0 text-center">
                    <QrCode path={profile.plateSideId ? `/prints?side=${profile.plateSideId}` : `/keep/${id}`} label={say('keep.scan_to_say')} className="ml-auto size-[20mm]" />
                </span>
            </footer>
        </article>
    );
    return (
        <>
            <div className="hidden print:block">{card}</div>
            <div className="no-print flex flex-1 flex-col">
                <Sheet
                    title={say('keep.card_for_the_printer')}
                    lead={profile.title}
                    actions={
                        <>
                            <Button tone="main" onClick={() => print()}>{say('keep.print')}</Button>
                            <Button asChild tone="quiet">
                                <Link to="/keep/$id" params={{ id }}>{say('keep.back')}</Link>
                            </Button>
                        </>
                    }
                    margin={
                        <MarginNote title={say('keep.paper')}>
                            <ChoiceRow
                                label={say('keep.size')}
                                value={size}
                                onValue={setSize}
                                options={[
                                    { value: 'A6', label: 'A6' },
                                    { value: 'A5', label: 'A5' },
                                ]}
                            />
                            <p>{say('keep.one_page_to_hang_at_the')}</p>
                        </MarginNote>
                    }
                >
                    <div className="overflow-x-auto bg-well p-4 sm:p-8">
                        <div className="mx-auto w-fit shadow-lg">{card}</div>
                    </div>
                </Sheet>
            </div>
        </>
    );
}
