import type { Schemas } from '../api/client';
import { duration, useGap, useQuantity } from '../ui/quantity';
import { say } from '../words/say';

type Document = Schemas['Profile']['document'];

/** What a profile may be trusted for, as rows of name and value. */
export function useScopeRows() {
    const temperature = useQuantity('temperature');
    return (document: Document): [string, string][] => {
        const { scope } = document;
        return [
            [say('keep.material'), say('keep.anylot_any_lot', { materialName: scope.materialName, anyLot: scope.anyLot, lotLabel: scope.anyLot ? '' : scope.lotLabel ?? '' })],
            ...(scope.alsoMaterialNames?.length ? [[say('keep.also_on_the_plate'), scope.alsoMaterialNames.join(', ')] satisfies [string, string]] : []),
            [say('keep.plate'), scope.anyPlate ? say('keep.any_plate_with', { surfaceName: scope.surfaceName }) : `${scope.sideLabel ?? ''}, ${scope.surfaceName}`],
            [say('keep.printer'), scope.printerName + (scope.enclosureNeeded ? say('keep.enclosed') : '')],
            [say('keep.room'), say('keep.to', { roomLowC: temperature.bare(scope.roomLowC), roomHighC: temperature.text(scope.roomHighC) })],
            [say('keep.longest_job'), scope.longestJobMinutes === null ? say('keep.no_print_was_measured') : duration(scope.longestJobMinutes)],
            [say('keep.most_parts'), String(scope.mostParts)],
        ];
    };
}

/** The same of a line in the list. */
export function useScopeLine() {
    const temperature = useQuantity('temperature');
    const count = useQuantity('count');
    return ({ scope }: Schemas['ProfileRow']): string =>
        [
            scope.lotLabel ?? say('keep.any_lot'),
            scope.sideLabel ?? say('keep.any_plate'),
            say('keep.to', { roomLowC: temperature.bare(scope.roomLowC), roomHighC: temperature.text(scope.roomHighC) }),
            scope.longestJobMinutes === null ? null : say('keep.jobs_up_to', { minutes: duration(scope.longestJobMinutes) }),
            say('keep.parts_up_to', { count: scope.mostParts, parts: count.bare(scope.mostParts) }),
        ]
            .filter(Boolean)
            .join(' · ');
}

export function useSettingRows() {
    const temperature = useQuantity('temperature');
    const length = useQuantity('length');
    const gap = useGap();
    const seconds = useQuantity('count');
    const resin = ({ exposureS, agentName }: Document['setting']): [string, string][] => [
        [say('keep.exposure_of_the_bottom_layers'), say('unit.seconds', { figure: seconds.bare(exposureS ?? 0) })],
        [say('keep.agent'), agentName ?? say('keep.bare')],
    ];
    return ({ setting }: Document, dial: Schemas['OptionalDial']): [string, string][] => typeof setting.exposureS === 'number' ? resin(setting) : [
        [say('keep.bed_first_layer'), setting.bedFirstC === null ? 'unheated' : (dial?.words ?? temperature.text(setting.bedFirstC))],
        [say('keep.bed_after'), setting.bedOtherC === null ? 'unheated' : temperature.text(setting.bedOtherC)],
        [say('keep.nozzle_first_layer'), setting.nozzleFirstC === null ? '–' : temperature.text(setting.nozzleFirstC)],
        [say('keep.nozzle'), length.text(setting.nozzleMm)],
        [say('keep.gap'), gap(setting)],
        [say('keep.agent'), setting.agentName ?? say('keep.bare')],
    ];
}

export function Rows({ rows }: { rows: [string, string][] }) {
    return (
        <dl className="grid grid-cols-[8.5rem_minmax(0,1fr)] gap-x-4">
            {rows.map(([name, value]) => (
                <div key={name} className="col-span-2 grid grid-cols-subgrid border-b border-line py-1.5">
                    <dt className="text-soft">{name}</dt>
                    <dd className="font-[650]">{value}</dd>
                </div>
            ))}
        </dl>
    );
}
