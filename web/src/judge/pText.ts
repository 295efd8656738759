import type { Quantity } from '../ui/quantity';
import { say } from '../words/say';

/** A p value; a very small one is only said to be small. */
export function pText(p: number, figure: Quantity): string {
    return p < 0.001 ? say('judge.below', { figure: figure.text(0.001) }) : figure.text(p);
}
