<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** How a part that sits fast is got off now, by how its plate is built (common practice; trade notes, section 9). */
final readonly class TakingOff
{
    /**
     * @param list<Phrase> $steps in their order, the kindest first
     * @param list<Phrase> $never
     */
    private function __construct(public array $steps, public array $never)
    {
    }

    public static function from(PlateBuild $build, ?float $releaseC): self
    {
        return new self(array_values(array_filter([
            null === $releaseC ? Sentence::of('stuck.cool') : Sentence::of('off.wait', below: Quantity::celsius($releaseC)),
            Sentence::of($build->flexes ? 'off.flex' : 'off.cool_and_push'),
            $build->freezes ? Sentence::of('off.freezer', minutes: Quantity::minutes(10)) : null,
            $build->freezes ? null : Sentence::of('stuck.again'),
            Sentence::of('off.tap'),
            Sentence::of('stuck.edge'),
        ])), array_values(array_filter([
            Sentence::of('off.never_hot'),
            Sentence::of('off.no_prying'),
            $build->freezes ? null : Sentence::of($build->comesOff ? 'off.no_freezer' : 'off.stays_on'),
            Sentence::of('stuck.gloves'),
        ])));
    }
}
