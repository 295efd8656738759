<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** A step of a run sheet: one of {@see RunStep}, which the rules know, or one that a shop added. */
interface SheetStep
{
    /** Up to 20 lower case letters and _. */
    public function key(): string;

    /**
     * Whether a run at this step keeps its printer from others: from heating until the plate leaves it; a plate that is
     * fixed to its printer keeps it until it is clean again.
     */
    public function occupiesPrinter(bool $plateFixed): bool;
}
