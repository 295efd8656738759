<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

/** A job as it would be on one printer, with the sides that may lie there. */
final readonly class JobOnPrinter
{
    /** @param list<SideFacts> $sides as they are for this printer */
    public function __construct(public JobRequest $job, public array $sides)
    {
    }

    /**
     * Whether a plate is looked at on a printer while any printer will do: on the one that it belongs to, or on each if it
     * belongs to none (our own choice; nobody carries a plate to another printer where its own will do).
     */
    public static function liesThere(?string $belongsTo, string $printerId): bool
    {
        return null === $belongsTo || $belongsTo === $printerId;
    }
}
