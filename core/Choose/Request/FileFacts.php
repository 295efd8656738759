<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

/** What the file of the job sets, °C; null: it does not. */
final readonly class FileFacts
{
    public function __construct(public ?float $bedC = null, public ?float $nozzleC = null, public ?float $bedLaterC = null)
    {
    }
}
