<?php

declare(strict_types=1);

namespace App\Platform\Words;

/** Whoever reads what is said now. */
interface Reader
{
    public function units(): Units;

    /** Such as "en" or "en_GB". */
    public function locale(): string;
}
