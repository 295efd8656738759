<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Window\HeatPlans;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * A full plate against several smaller ones. A part that comes loose is dragged through the others, so that a plate that
 * fails is taken to lose all its parts (common practice: every extra part is another chance to lose the plate). Taken are
 * the fewest plates that come within a tenth of the most good parts.
 */
final readonly class Batches
{
    /** A plate that comes out whole with this chance is not worth splitting (our own choice). */
    private const SAFE = 0.85;
    private const NEAR = 0.1;
    /** Beyond this nobody splits a plate. */
    private const MOST_PLATES = 20;

    /** @param list<Batch> $batches one plate first */
    private function __construct(public array $batches, public Batch $better)
    {
    }

    /**
     * Null where the whole plate is safe, or there is one part only.
     *
     * @throws BadHeat if a figure cannot be
     * @throws BadWarp if a figure cannot be
     */
    public static function of(Candidate $candidate, HeatPlans $heat): ?self
    {
        $job = $candidate->proposal->job;
        $parts = $job->partCount;
        if ($parts < 2 || $candidate->chance >= self::SAFE) {
            return null;
        }
        $again = new Again($candidate);
        $turnaround = $heat->of($candidate->proposal)?->turnaroundMinutes();
        $of = [$parts => $candidate];
        $batches = [];
        $fullest = 0;
        for ($plates = 1; $plates <= min($parts, self::MOST_PLATES); ++$plates) {
            $most = (int) ceil($parts / $plates);
            // As many plates more are no use that have as many parts on the fullest.
            if ($most === $fullest) {
                continue;
            }
            $fullest = $most;
            $good = 0.0;
            $hold = $release = [];
            foreach (self::spread($parts, $plates) as $size => $times) {
                $minutes = null === $job->minutes ? null : $job->minutes * $size / $parts;
                $each = $of[$size] ??= $again->with($job->with(partCount: $size, minutes: $minutes));
                if (null === $each) {
                    continue 2;
                }
                $good += $times * $size * $each->chance;
                $hold[] = [$each->hold->prediction->chance, $times];
                $release[] = [$each->release->prediction->chance, $times];
            }
            $batches[] = new Batch(
                $plates,
                $most,
                // One plate has the chance that is said of it everywhere; of several, what is not known of the one is not known of the others.
                1 === $plates ? $candidate->chance : LogisticNormal::allOf($hold) * LogisticNormal::allOf($release),
                $good,
                null === $turnaround || null === $job->minutes ? null : $job->minutes + $plates * $turnaround,
            );
        }
        $most = max(0.0, ...array_map(static fn (Batch $each): float => $each->goodParts, $batches));
        foreach ($batches as $batch) {
            if ($batch->goodParts >= (1 - self::NEAR) * $most) {
                return new self($batches, $batch);
            }
        }

        return null;
    }

    public function words(): Sentence
    {
        $whole = $this->batches[0];
        $better = $this->better;
        $with = [
            'parts' => Quantity::count($whole->mostParts),
            'good' => Quantity::number($whole->goodParts, 0.1),
            'plates' => Quantity::count($better->plates),
            'each' => Quantity::count($better->mostParts),
            'then' => Quantity::number($better->goodParts, 0.1),
        ];

        return match (true) {
            1 === $better->plates => Sentence::of('batches.whole', ...$with),
            null === $better->minutes || null === $whole->minutes => Sentence::of('batches.split', ...$with),
            default => Sentence::of(
                'batches.split_timed',
                ...$with,
                time: Quantity::minutes($better->minutes),
                instead: Quantity::minutes($whole->minutes),
            ),
        };
    }

    /** @return array<int, int> how many plates by parts on them */
    private static function spread(int $parts, int $plates): array
    {
        $few = intdiv($parts, $plates);
        $more = $parts % $plates;

        return array_filter([$few + 1 => $more, $few => $plates - $more]);
    }
}
