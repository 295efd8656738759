<?php

declare(strict_types=1);

namespace App\Test;

use App\Shelf\Printer;

/** Happens to a printer at points in time that part the runs made before from those made after. */
interface PartsRuns
{
    public function printer(): Printer;

    /** @return list<\DateTimeImmutable> */
    public function partsRunsAt(): array;
}
