<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\Stack;

/** The layers between the heater of a printer and the surface of a side that lies on it, as measured where it was measured. */
final class SeatStack
{
    /**
     * Null: the layers of printer or plate are not known, or there is no heater.
     *
     * @throws BadHeat if a figure cannot be
     */
    public static function of(PrinterFacts $printer, SideFacts $side): ?Stack
    {
        if (null === $printer->maxBedC || [] === $printer->bed || [] === $side->layers) {
            return null;
        }
        $stack = new Stack(
            [...$printer->bed, ...$side->layers],
            $printer->bedSpanMm($printer->bedWidthMm),
            $printer->bedSpanMm($printer->bedDepthMm),
            1.0,
            $printer->displayReadsHighK,
        );
        $measured = $side->measured;

        return null === $measured ? $stack : $stack->calibrated($measured->displayC, $measured->surfaceC, $measured->roomC);
    }
}
