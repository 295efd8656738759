<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Gate\Internal\CleanerGate;
use Sitzplatz\Choose\Gate\Internal\HoldDownGate;
use Sitzplatz\Choose\Gate\Internal\NozzleGate;
use Sitzplatz\Choose\Gate\Internal\OffPrinterGate;
use Sitzplatz\Choose\Gate\Internal\PlateSizeGate;
use Sitzplatz\Choose\Gate\Internal\PrinterGate;
use Sitzplatz\Choose\Gate\Internal\ProbeGate;
use Sitzplatz\Choose\Gate\Internal\SolventGate;
use Sitzplatz\Choose\Gate\Internal\SurfaceKindGate;
use Sitzplatz\Choose\Gate\Internal\ZTravelGate;
use Sitzplatz\Choose\Gate\Risk;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Words\Sentence;

/**
 * Whether a setup may be tested at all. A test may go where practice has nothing to say or expects failure, and on the word of
 * a lead where it would cost a plate ({@see Risk}); never past a limit, nor where it harms a printer or a person.
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
     * @return Sentence|null the reason against it that nobody can lift, or null
     *
     * @throws BadCatalogue if the catalogue has no such material, surface or agent
     * @throws BadHeat      if a figure cannot be
     */
    public static function refuses(Catalogue $catalogue, JobRequest $job, SideFacts $side, ?string $agentId, ?float $bedFirstC, ?float $bedOtherC): ?Sentence
    {
        $proposal = self::proposal($catalogue, $job, $side, $agentId);
        $reason = self::never($proposal);
        if (null !== $reason) {
            return $reason;
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

    /** Whether what Choose rules out may be tried all the same, at the setting it would have. */
    public static function mayBeTried(Proposal $ruledOut): bool
    {
        return null === self::never($ruledOut) && null === $ruledOut->target?->refusal;
    }

    /**
     * What practice rules out of it, and a lead may let be tried all the same; parameters as for {@see refuses}.
     *
     * @return list<Risk>
     *
     * @throws BadCatalogue if the catalogue has no such material, surface or agent
     * @throws BadHeat      if a figure cannot be
     */
    public static function risks(Catalogue $catalogue, JobRequest $job, SideFacts $side, ?string $agentId, ?float $bedFirstC): array
    {
        $proposal = self::proposal($catalogue, null === $bedFirstC ? $job : $job->with(bedC: $bedFirstC), $side, $agentId);

        // Left unheated it has no target to be ruled out for.
        return Risk::of(null !== $bedFirstC ? $proposal : new Proposal(
            $job,
            $side,
            $proposal->surface,
            $proposal->agent,
            $proposal->pairing,
            $proposal->treatment,
        ));
    }

    /** The first of the gates that nobody can lift. */
    private static function never(Proposal $proposal): ?Sentence
    {
        foreach ([
            new PrinterGate(),
            new SurfaceKindGate(),
            new PlateSizeGate(),
            new HoldDownGate(),
            new ZTravelGate(),
            new ProbeGate(),
            new NozzleGate(),
            new SolventGate(),
            new OffPrinterGate(),
            new CleanerGate(),
        ] as $gate) {
            $reason = $gate->refuses($proposal);
            if (null !== $reason) {
                return $reason;
            }
        }

        return null;
    }

    /**
     * @throws BadCatalogue if the catalogue has no such material, surface or agent
     * @throws BadHeat      if a figure cannot be
     */
    private static function proposal(Catalogue $catalogue, JobRequest $job, SideFacts $side, ?string $agentId): Proposal
    {
        return Proposal::ofSide($job, $side, $catalogue->surface($side->surfaceId), $catalogue->pairing($job->material->id, $side->surfaceId))
            ->withAgent(null === $agentId ? null : $catalogue->agent($agentId));
    }
}
