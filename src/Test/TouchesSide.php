<?php

declare(strict_types=1);

namespace App\Test;

use App\Shelf\PlateSide;

/** Does something to a side that is counted from then on. */
interface TouchesSide
{
    public function side(): PlateSide;
}
