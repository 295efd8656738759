import { useSuspenseQuery } from '@tanstack/react-query';

import { catalogueQuery, lotsQuery, printersQuery } from '../api/queries';
import { QuantityField, SelectField } from '../ui/Field';
import { useQuantity } from '../ui/quantity';
import { Word } from '../ui/Word';
import { say, tell } from '../words/say';
import type { PlanValues } from './planShape';

/** Which lot, on which printer, in how warm a room: a sentence whose words are touched to change them. */
export function Where({ values, resin, onLot, onPrinter, onRoom }: { values: PlanValues; resin: boolean; onLot: (id: string) => void; onPrinter: (id: string) => void; onRoom: (roomC: number | null) => void }) {
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const temperature = useQuantity('temperature');
    const lot = lots.find((each) => each.id === values.lotId);
    const printer = printers.find((each) => each.id === values.printerId);
    const named = (each: { materialId: string; label: string }) => `${catalogue.materials.find((m) => m.id === each.materialId)?.name ?? ''} ${each.label}`;
    const room = values.roomC === null ? say('test.not_said') : temperature.text(values.roomC);
    return (
        <>
            {tell('test.with_lot_on_printer', {
                lot: (
                    <Word key="lot" name={say('test.word_lot', { lot: lot ? named(lot) : say('test.not_said') })} words={lot ? named(lot) : say('test.not_said')}>
                        <SelectField label={say('test.lot')} value={values.lotId} onValue={onLot} options={lots.filter((each) => !each.retired).map((each) => ({ value: each.id, label: `${named(each)}, ${each.name}` }))} />
                    </Word>
                ),
                printer: (
                    <Word key="printer" name={say('test.word_printer', { printer: printer?.name ?? say('test.not_said') })} words={printer?.name ?? say('test.not_said')}>
                        <SelectField label={say('test.printer')} value={values.printerId} onValue={onPrinter} options={printers.filter((each) => !each.retired && (each.kind === 'resin') === resin).map((each) => ({ value: each.id, label: each.name }))} />
                    </Word>
                ),
                room: (
                    <Word key="room" name={say('test.word_room', { room })} words={room}>
                        <QuantityField label={say('test.room')} kind="temperature" value={values.roomC} onValue={onRoom} />
                    </Word>
                ),
            })}
        </>
    );
}
