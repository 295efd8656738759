<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Gate\Internal\BarrierGate;
use Sitzplatz\Choose\Gate\Internal\HarmfulAgentGate;
use Sitzplatz\Choose\Gate\Internal\HoldDownGate;
use Sitzplatz\Choose\Gate\Internal\OffPrinterGate;
use Sitzplatz\Choose\Gate\Internal\PlateSizeGate;
use Sitzplatz\Choose\Gate\Internal\ProbeGate;
use Sitzplatz\Choose\Gate\Internal\SolventGate;
use Sitzplatz\Choose\Gate\Internal\SurfaceKindGate;
use Sitzplatz\Choose\Gate\Internal\ZTravelGate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Words\Sentence;

/**
 * Whether a setup may be tested at all. A test may go where practice has nothing to say or expects failure, but not
 * where it would cost a plate, nor past a limit.
 */
final class SetupCheck
{
    /** A printer for filament prints no resin, and the other way round; null: it fits. */
    public static function wrongKind(JobRequest $job): ?Sentence
    {
        return $job->printer->filament === $job->material->filament
            ? null : Sentence::of('setup.wrong_kind', printer: $job->printer->name, material: $job->material->name);
    }

    /**
     * @param float|null $bedFirstC on the display; null: unheated
     * @param float|null $bedOtherC after the first layer
     *
     * @return Sentence|null the reason against it, or null
     *
     * @throws BadCatalogue if the catalogue has no such material, surface or agent
     * @throws BadHeat      if a figure cannot be
     */
    public static function refuses(Catalogue $catalogue, JobRequest $job, SideFacts $side, ?string $agentId, ?float $bedFirstC, ?float $bedOtherC): ?Sentence
    {
        $proposal = Proposal::ofSide($job, $side, $catalogue->surface($side->surfaceId), $catalogue->pairing($job->material->id, $side->surfaceId))
            ->withAgent(null === $agentId ? null : $catalogue->agent($agentId));
        foreach ([
            new SurfaceKindGate(),
            new PlateSizeGate(),
            new HoldDownGate(),
            new ZTravelGate(),
            new ProbeGate(),
            new SolventGate(),
            new OffPrinterGate(),
            new BarrierGate(),
            new HarmfulAgentGate(),
        ] as $gate) {
            $reason = $gate->refuses($proposal);
            if (null !== $reason) {
                return $reason;
            }
        }
        foreach (array_filter([$bedFirstC, $bedOtherC], static fn (?float $bedC): bool => null !== $bedC) as $bedC) {
            if (null === $job->printer->maxBedC) {
                return Sentence::of('setup.no_heater', printer: $job->printer->name);
            }
            // The same rule by which a display setting is held against the limits in Choose.
            $refusal = Target::limits($job, $bedC, $proposal->stops(), $proposal->stack);
            if (null !== $refusal) {
                return $refusal;
            }
        }

        return null;
    }
}
