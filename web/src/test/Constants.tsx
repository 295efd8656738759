import { useSuspenseQuery } from '@tanstack/react-query';

import { catalogueQuery, lotsQuery } from '../api/queries';
import { AlsoOnThePlate } from '../choose/AlsoOnThePlate';
import { More } from '../ui/DraftForm';
import { NumberField, QuantityField, TextField } from '../ui/Field';
import { useGap, useQuantity } from '../ui/quantity';
import { say } from '../words/say';
import { PlanFile } from './PlanFile';
import type { PlanValues } from './planShape';

type Held = PlanValues['constants'];

/** What is held constant, at a glance. */
export function ConstantsInWords({ resin, constants }: { resin: boolean; constants: Held }) {
    const temperature = useQuantity('temperature');
    const length = useQuantity('length');
    const gap = useGap();
    const { nozzleMm, nozzleFirstC, firstLayerSpeedMmS } = constants;
    if (resin) {
        return <p>{say('test.constants_of_resin', { piece: constants.piece.name, file: constants.gcodeName, holdDown: constants.holdDown })}</p>;
    }
    return (
        <p>
            {say('test.constants_in_words', {
                piece: constants.piece.name,
                file: constants.gcodeName,
                nozzle: nozzleMm === null ? '…' : length.text(nozzleMm),
                nozzleC: nozzleFirstC === null ? '…' : temperature.text(nozzleFirstC),
                gap: gap(constants),
                speed: firstLayerSpeedMmS === null ? '…' : firstLayerSpeedMmS,
                fan: constants.fan,
                brim: constants.brim,
            })}
        </p>
    );
}

/** All that is held constant, to be changed. */
export function Constants({ resin, lotId, constants, set }: { resin: boolean; lotId: string; constants: Held; set: (constants: Held) => void }) {
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const held = (part: Partial<Held>) => set({ ...constants, ...part });
    // Who writes another base gives up that of a design of their own.
    const piece = (part: Partial<Held['piece']>) => held({ piece: { ...constants.piece, ...('alongPullMm' in part || 'acrossPullMm' in part ? { contactAreaMm2: null, sectionMm3: null } : {}), ...part } });
    return (
        <More title={say('test.held_constant')} fields={['constants']}>
            {resin ? null : <PlanFile constants={constants} set={set} />}
            <div className="grid gap-4 sm:grid-cols-3">
                <TextField label={say('test.test_piece')} name="constants.piece.name" value={constants.piece.name} onValue={(name) => piece({ name })} />
                {resin ? null : (
                    <>
                        <QuantityField label={say('test.base_along_the_pull')} kind="length" name="constants.piece.alongPullMm" value={constants.piece.alongPullMm} onValue={(alongPullMm) => piece({ alongPullMm })} hint={say('test.the_direction_of_the_pull_is')} />
                        <QuantityField label={say('test.base_across_the_pull')} kind="length" name="constants.piece.acrossPullMm" value={constants.piece.acrossPullMm} onValue={(acrossPullMm) => piece({ acrossPullMm })} />
                        <QuantityField label={say('test.height_of_the_pull')} kind="length" name="constants.piece.pullHeightMm" value={constants.piece.pullHeightMm} onValue={(pullHeightMm) => piece({ pullHeightMm })} />
                    </>
                )}
                <TextField label={resin ? say('test.sliced_file') : say('test.g_code_file')} name="constants.gcodeName" value={constants.gcodeName} onValue={(gcodeName) => held({ gcodeName })} />
                {resin ? null : (
                    <>
                        <TextField label={say('test.gap_set_with')} name="constants.feeler" value={constants.feeler} onValue={(feeler) => held({ feeler })} />
                        <QuantityField label={say('test.first_layer_gap')} kind="length" name="constants.gapMm" value={constants.gapMm} onValue={(gapMm) => held({ gapMm })} hint={say('test.empty_not_measured')} />
                        <QuantityField label={say('test.nozzle_first_layer')} kind="temperature" name="constants.nozzleFirstC" value={constants.nozzleFirstC} onValue={(nozzleFirstC) => held({ nozzleFirstC })} />
                        <QuantityField label={say('test.nozzle')} kind="length" name="constants.nozzleMm" value={constants.nozzleMm} onValue={(nozzleMm) => held({ nozzleMm })} />
                        <QuantityField label={say('test.line_width')} kind="length" name="constants.lineWidthMm" value={constants.lineWidthMm} onValue={(lineWidthMm) => held({ lineWidthMm })} />
                        <NumberField label={say('test.first_layer_speed_mm_s')} name="constants.firstLayerSpeedMmS" value={constants.firstLayerSpeedMmS} onValue={(firstLayerSpeedMmS) => held({ firstLayerSpeedMmS })} />
                        <AlsoOnThePlate also={constants.alsoMaterialIds ?? []} onAlso={(alsoMaterialIds) => held({ alsoMaterialIds })} not={lots.find((each) => each.id === lotId)?.materialId ?? ''} catalogue={catalogue} />
                        <TextField label={say('test.cleaned_with')} name="constants.cleaning" value={constants.cleaning ?? ''} onValue={(cleaning) => held({ cleaning })} maxLength={120} />
                        <TextField label={say('test.fan')} name="constants.fan" value={constants.fan} onValue={(fan) => held({ fan })} />
                    </>
                )}
                {resin ? <ResinConstants of={constants.resin ?? NO_RESIN} set={(of) => held({ resin: of })} /> : null}
                <TextField label={say('test.plate_held_by')} name="constants.holdDown" value={constants.holdDown} onValue={(holdDown) => held({ holdDown })} />
                {resin ? null : <TextField label={say('test.brim')} name="constants.brim" value={constants.brim} onValue={(brim) => held({ brim })} hint={say('test.none_so_that_a_weak_pair')} />}
            </div>
        </More>
    );
}

type OfResin = NonNullable<Held['resin']>;

const NO_RESIN: OfResin = { bottomLayers: null, transitionLayers: null, layerHeightMm: null, liftMmMin: null, restS: null, resinC: null };

/** What else grips or lets go of a resin, beside the exposure that is tested. */
function ResinConstants({ of, set }: { of: OfResin; set: (of: OfResin) => void }) {
    return (
        <>
            <NumberField label={say('test.bottom_layers')} name="constants.resin.bottomLayers" value={of.bottomLayers} onValue={(bottomLayers) => set({ ...of, bottomLayers })} />
            <NumberField label={say('test.transition_layers')} name="constants.resin.transitionLayers" value={of.transitionLayers} onValue={(transitionLayers) => set({ ...of, transitionLayers })} />
            <QuantityField label={say('test.layer_height')} kind="length" name="constants.resin.layerHeightMm" value={of.layerHeightMm} onValue={(layerHeightMm) => set({ ...of, layerHeightMm })} />
            <NumberField label={say('test.lift_speed_mm_min')} name="constants.resin.liftMmMin" value={of.liftMmMin} onValue={(liftMmMin) => set({ ...of, liftMmMin })} />
            <NumberField label={say('test.rest_before_exposure_s')} name="constants.resin.restS" value={of.restS} onValue={(restS) => set({ ...of, restS })} />
            <QuantityField label={say('test.resin_temperature')} kind="temperature" name="constants.resin.resinC" value={of.resinC} onValue={(resinC) => set({ ...of, resinC })} />
        </>
    );
}

/** What a run takes, for the estimate. */
export function Minutes({ resin, durations, set }: { resin: boolean; durations: PlanValues['durations']; set: (durations: PlanValues['durations']) => void }) {
    const take = (part: Partial<PlanValues['durations']>) => set({ ...durations, ...part });
    return (
        <More title={say('test.minutes_per_run_for_the_estimate')} fields={['durations']}>
            <div className="grid gap-4 sm:grid-cols-3 xl:grid-cols-6">
                <NumberField label={say('test.prepare')} name="durations.prepareMinutes" value={durations.prepareMinutes} onValue={(prepareMinutes) => take({ prepareMinutes })} />
                {resin ? null : <NumberField label={say('test.heat_soak')} name="durations.heatAndSoakMinutes" value={durations.heatAndSoakMinutes} onValue={(heatAndSoakMinutes) => take({ heatAndSoakMinutes })} />}
                <NumberField label={say('test.print')} name="durations.printMinutes" value={durations.printMinutes} onValue={(printMinutes) => take({ printMinutes })} />
                {resin ? null : <NumberField label={say('test.cool')} name="durations.coolMinutes" value={durations.coolMinutes} onValue={(coolMinutes) => take({ coolMinutes })} />}
                <NumberField label={say('test.inspect_clean')} name="durations.inspectAndCleanMinutes" value={durations.inspectAndCleanMinutes} onValue={(inspectAndCleanMinutes) => take({ inspectAndCleanMinutes })} />
                <NumberField label={say('test.plate_change')} name="durations.plateChangeMinutes" value={durations.plateChangeMinutes} onValue={(plateChangeMinutes) => take({ plateChangeMinutes })} />
            </div>
        </More>
    );
}
