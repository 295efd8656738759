<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate\Internal\BarrierGate;
use Sitzplatz\Choose\Gate\Internal\GlassGate;
use Sitzplatz\Choose\Gate\Internal\HarmfulAgentGate;
use Sitzplatz\Choose\Gate\Internal\OpenPrinterGate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/**
 * What practice rules out, and who has a reason may try all the same: on the word of a lead, with what may be lost by it, and
 * with what keeps people whole. What would harm a printer, or a person by solvents or spray, is never among it.
 */
final readonly class Risk
{
    /** @param non-empty-list<Precaution> $precautions */
    private function __construct(public Sentence $reason, public array $precautions)
    {
    }

    /** @return list<self> none: practice has nothing against it, or only that it may not hold */
    public static function of(Proposal $proposal): array
    {
        // A rigid plate of which nobody noted the layers may be glass.
        $glass = null !== $proposal->side->thinnestGlass() || ([] === $proposal->side->layers && !$proposal->surface->flexes);
        $lost = $glass ? [Precaution::MayBeLost, Precaution::GlassesAndGloves] : [Precaution::MayBeLost];
        $risks = [];
        foreach ([
            [new BarrierGate(), $lost],
            [new HarmfulAgentGate(), $lost],
            [new GlassGate(), [Precaution::MayBeLost, Precaution::GlassesAndGloves]],
            [new OpenPrinterGate(), [Precaution::StayWithIt]],
        ] as [$gate, $precautions]) {
            $reason = $gate->refuses($proposal);
            if (null !== $reason) {
                $risks[] = new self($reason, $precautions);
            }
        }

        return $risks;
    }

    /**
     * What has to be ready for all of them.
     *
     * @param list<self> $risks
     *
     * @return list<Precaution> each once
     */
    public static function precautions(array $risks): array
    {
        $wanted = array_merge([], ...array_map(static fn (self $risk): array => $risk->precautions, $risks));

        return array_values(array_filter(Precaution::cases(), static fn (Precaution $each): bool => \in_array($each, $wanted, true)));
    }
}
