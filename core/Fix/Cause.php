<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Words\CatalogueText;

/** What may be wrong, how often it is, and what is done to find out: the trial is the cure. */
final readonly class Cause
{
    /** Of a trial of which the catalogue says nothing else (ours). */
    public const USUALLY_HELPS = 0.9;

    /** @param array<string, float> $onSurface how much more often on a kind of surface */
    public function __construct(
        public string $id,
        public CatalogueText $name,
        public CatalogueText $do,
        /** To try it. */
        public float $minutes,
        /** The chance that trying it ends the symptom, if it is the cause. */
        public float $helps,
        /** How often it is the cause of the symptom, against the others there. */
        public float $often,
        public array $onSurface,
        public Then $then,
        /** @var array<string, float> how much more often, by where it fails */
        public array $where = [],
    ) {
    }
}
