<?php

declare(strict_types=1);

namespace App\Choose;

use App\Test\Setup;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Choose\JobRequest;
use Sitzplatz\Choose\Proposal;
use Sitzplatz\Choose\Stop;

/** What the seat strip draws: the window, the target, the stops, and where the part comes off. */
final readonly class StripData
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /** @return array<string, mixed> */
    public static function of(Proposal $proposal, Pairing $pairing, ?float $targetC): array
    {
        return [
            'lowC' => $pairing->window->lowC,
            'targetC' => $targetC,
            'highC' => $pairing->window->highC,
            'releaseC' => $pairing->releaseC,
            'roomC' => $proposal->job->roomC,
            'stops' => array_map(static fn (Stop $stop): array => ['kind' => $stop->kind, 'label' => $stop->label, 'atC' => $stop->atC], $proposal->stops()),
        ];
    }

    /** @return array<string, mixed>|null null where practice has no window for the pair */
    public function ofSetup(Setup $setup): ?array
    {
        $comparison = $setup->comparison;
        $pairing = $this->catalogue->pairing($comparison->materialId, $setup->fitting->surfaceId);
        if (null === $pairing) {
            return null;
        }
        $job = new JobRequest($this->catalogue->material($comparison->materialId), $comparison->printer->facts(), $comparison->roomC);

        return self::of(new Proposal($job, $setup->side->facts(), $this->catalogue->surface($setup->fitting->surfaceId), null, $pairing, null), $pairing, $setup->bedFirstC);
    }
}
