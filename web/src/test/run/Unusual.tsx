import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import type { Quantity } from '../../ui/quantity';
import { say } from '../../words/say';
import type { Sheet } from './sheet';

/** Whether a value lies where nobody has to be asked about it. */
export function isUsual(sheet: Sheet, measure: string, stored: number): boolean {
    const usual = sheet.usual[measure];
    return usual === undefined || (stored >= usual.from && stored <= usual.to);
}

/** A value that is hardly what was meant: asked about once, and taken if it is right. */
export function Unusual({ sheet, measure, stored, quantity, onTake, onChange }: { sheet: Sheet; measure: string; stored: number; quantity: Quantity; onTake: () => void; onChange: () => void }) {
    const usual = sheet.usual[measure];
    return (
        <Notice tone="caution">
            <p>{say('test.is_that_right', { value: quantity.text(stored), from: usual ? quantity.text(usual.from) : '', to: usual ? quantity.text(usual.to) : '' })}</p>
            <div className="mt-2 flex flex-wrap gap-2">
                <Button onClick={onTake}>{say('test.it_is_right_take_it')}</Button>
                <Button tone="quiet" onClick={onChange}>
                    {say('test.change_it')}
                </Button>
            </div>
        </Notice>
    );
}
