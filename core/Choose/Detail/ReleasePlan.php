<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Window\HeatPlans;
use Sitzplatz\Heat\Cooling;
use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** How a part is taken off: wait until when, how, what not to do, and what it costs when done hot. */
final readonly class ReleasePlan
{
    /**
     * @param list<array{way: string, words: Sentence, minutes: float|null}> $waits
     * @param list<Phrase>                                                   $steps
     * @param list<Phrase>                                                   $never
     */
    private function __construct(
        /** Wait until the surface is at it, °C; null: cooling is not what frees the part. */
        public ?float $belowC,
        public array $waits,
        public array $steps,
        public array $never,
        /** What pulling hot costs; null where there is no heat. */
        public ?CatalogueText $doneHot,
    ) {
    }

    /** @param array<string, float|null> $coolingSeconds by way; null: it never gets there */
    public static function for(Candidate $candidate, array $coolingSeconds): self
    {
        $surface = $candidate->proposal->surface;
        $build = $candidate->proposal->side->build($surface);
        $pairing = $candidate->pairing;
        $heated = null !== $candidate->target->displayC;
        $releaseC = $pairing->releaseWithC($candidate->proposal->agent);
        $waits = [];
        foreach (Cooling::cases() as $way) {
            if ($heated && \array_key_exists($way->value, $coolingSeconds)) {
                $seconds = $coolingSeconds[$way->value];
                $waits[] = ['way' => $way->value, 'words' => $way->words(), 'minutes' => null === $seconds ? null : $seconds / 60];
            }
        }
        $steps = array_values(array_filter([
            $heated && null !== $releaseC ? Sentence::of('off.wait', below: Quantity::celsius($releaseC)) : null,
            null === $candidate->proposal->job->printer->chamberC ? null : Sentence::of(
                'off.chamber',
                chamber: Quantity::celsius($candidate->proposal->job->printer->chamberC),
            ),
            $heated ? self::door($candidate) : null,
            self::way($pairing, $surface, $build),
            Sentence::of($build->flexes ? 'off.flex' : 'off.tap'),
            $build->freezes && $heated ? Sentence::of('off.freezer', minutes: Quantity::minutes(10)) : null,
        ]));

        return new self($heated ? $releaseC : null, $waits, $steps, array_values(array_filter([
            $heated ? Sentence::of('off.never_hot') : null,
            Sentence::of($build->flexes ? 'off.no_spatula' : 'off.no_prying'),
            $build->freezes || !$heated ? null : Sentence::of($build->comesOff ? 'off.no_freezer' : 'off.stays_on'),
            ...self::shock($candidate, $heated),
            $heated ? Sentence::of('off.glove') : null,
        ])), $heated ? $surface->doneHot : null);
    }

    /** Opening a closed printer is what shortens the wait most, where the part stands it. */
    private static function door(Candidate $candidate): ?Sentence
    {
        $job = $candidate->proposal->job;
        if (!$job->printer->isShut()) {
            return null;
        }
        $below = HeatPlans::opensBelowC($job->material);

        return match (true) {
            null === $below => Sentence::of('off.door_shut', material: $job->material->name),
            ($candidate->target->at ?? 0.0) <= $below => Sentence::of('off.open_door'),
            default => Sentence::of('off.open_door_below', material: $job->material->name, below: Quantity::celsius($below)),
        };
    }

    /** @return list<Sentence> from where on a pane may be laid on a bench */
    private static function shock(Candidate $candidate, bool $heated): array
    {
        $shock = $candidate->proposal->side->shockK();
        $roomC = $candidate->proposal->job->roomC;

        return !$heated || null === $shock || ($candidate->target->at ?? $roomC) - $roomC <= $shock
            ? [] : [Sentence::of('off.no_cold_bench', below: Quantity::celsius($roomC + $shock, 5))];
    }

    /** The way of the pair speaks of the plate that its surface usually lies on; on one that bends otherwise it is another. */
    public static function way(Pairing $pairing, Surface $surface, PlateBuild $build): Phrase
    {
        return match (true) {
            $surface->flexes === $build->flexes => $pairing->releaseWay,
            $build->flexes => Sentence::of('off.cool_first'),
            default => Sentence::of('off.cool_and_push'),
        };
    }
}
