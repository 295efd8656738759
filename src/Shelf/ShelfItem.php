<?php

declare(strict_types=1);

namespace App\Shelf;

/** Something on the shelf that is created, edited and listed in the same way. */
interface ShelfItem
{
    /** @param array<string, mixed> $body a body that has passed the contract */
    public function apply(array $body): void;
}
