import type { Schemas } from '../api/client';
import { duration, useGap, useQuantity } from '../ui/quantity';

type Document = Schemas['Profile']['document'];

/** What a profile may be trusted for, as rows of name and value. */
export function useScopeRows() {
    const temperature = useQuantity('temperature');
    return (document: Document): [string, string][] => {
        const { scope } = document;
        return [
            ['Material', `${scope.materialName}, ${scope.anyLot ? 'any lot' : `lot ${scope.lotLabel ?? ''}`}`],
            ['Plate', scope.anyPlate ? `any plate with ${scope.surfaceName}` : `${scope.sideLabel ?? ''}, ${scope.surfaceName}`],
            ['Printer', scope.printerName + (scope.enclosureNeeded ? ', enclosed' : '')],
            ['Room', `${temperature.bare(scope.roomLowC)} to ${temperature.text(scope.roomHighC)}`],
            ['Longest job', scope.longestJobMinutes === null ? 'no print was measured' : duration(scope.longestJobMinutes)],
            ['Most parts', String(scope.mostParts)],
        ];
    };
}

export function useSettingRows() {
    const temperature = useQuantity('temperature');
    const length = useQuantity('length');
    const gap = useGap();
    return ({ setting }: Document, dial: Schemas['OptionalDial']): [string, string][] => [
        ['Bed, first layer', setting.bedFirstC === null ? 'unheated' : (dial?.words ?? temperature.text(setting.bedFirstC))],
        ['Bed, after', setting.bedOtherC === null ? 'unheated' : temperature.text(setting.bedOtherC)],
        ['Nozzle, first layer', setting.nozzleFirstC === null ? '–' : temperature.text(setting.nozzleFirstC)],
        ['Nozzle', length.text(setting.nozzleMm)],
        ['Gap', gap(setting)],
        ['Agent', setting.agentName ?? 'bare'],
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
