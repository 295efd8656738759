<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\CommonSlope;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\RunOutcomes;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * How long a coat lasts: for each coat its prints in order until the first that did not hold or came off badly, and how the
 * pull changes from print to print. A coat that never failed lasted at least as long as it was printed on.
 */
final readonly class CoatLife
{
    private const ALPHA = 0.05;

    /**
     * @param list<array{prints: int, failedAt: ?int}> $coats
     * @param list<Sentence>                           $sentences
     */
    private function __construct(
        public array $coats,
        /** Prints after which a coat is to be renewed, by the shortest life seen; at least so many where none failed. */
        public int $renewAfter,
        public bool $atLeast,
        /** By which the release pull changes from print to print, N; null: it cannot be had. */
        public ?CommonSlope $slope,
        public array $sentences,
    ) {
    }

    /** What Care goes by: a coat that is renewed for each print lasts one. */
    public function careAfter(): int
    {
        return max(1, $this->renewAfter);
    }

    /**
     * @param list<int> $prints which print on its coat each run was, from 1; a void one in between wore it too
     *
     * @return self|null null: no print is done
     */
    public static function of(SetupRecord $record, Limits $limits, array $prints): ?self
    {
        $coats = $pulls = [];
        foreach ($record->runs as $i => $run) {
            $coats[$record->visits[$i] ?? ''][$prints[$i]] = self::failed($run, $limits, $record);
            foreach ($run as $reading) {
                if ($reading->measure === $record->releasePull() && !$reading->atLeast) {
                    $pulls[$record->visits[$i] ?? ''][] = [(float) $prints[$i], $reading->value];
                }
            }
        }
        if ([] === $coats) {
            return null;
        }
        $lives = array_map(static function (array $prints): array {
            $at = array_search(true, $prints, true);

            return ['prints' => (int) max(array_keys($prints)), 'failedAt' => false === $at ? null : $at];
        }, array_values($coats));
        $failed = array_filter(array_column($lives, 'failedAt'));
        // One that was printed on less often than another failed says nothing beyond its own prints.
        $renew = [] === $failed ? min(array_column($lives, 'prints')) : min($failed) - 1;
        try {
            $slope = CommonSlope::of(array_values($pulls));
        } catch (InvalidArgument) {
            $slope = null;
        }

        return new self($lives, $renew, [] === $failed, $slope, self::said($lives, $renew, [] === $failed, $slope));
    }

    /** @param list<Reading> $run */
    private static function failed(array $run, Limits $limits, SetupRecord $of): bool
    {
        return RunOutcome::Failed === RunOutcomes::of($run, $limits, true, null, $of->takenHot)->worse();
    }

    /**
     * @param list<array{prints: int, failedAt: ?int}> $lives
     *
     * @return list<Sentence>
     */
    private static function said(array $lives, int $renew, bool $atLeast, ?CommonSlope $slope): array
    {
        $sentences = [];
        foreach ($lives as $i => $life) {
            $sentences[] = Sentence::of(
                null === $life['failedAt'] ? 'coat_life.lasted' : 'coat_life.failed',
                coat: Quantity::count($i + 1),
                prints: Quantity::count($life['prints']),
                at: Quantity::count($life['failedAt'] ?? 0),
            );
        }
        $sentences[] = Sentence::of(match (true) {
            $atLeast => 'coat_life.renew_at_least',
            0 === $renew => 'coat_life.renew_each',
            default => 'coat_life.renew',
        }, prints: Quantity::count($renew), coats: Quantity::count(\count($lives)));
        if (null !== $slope) {
            $sentences[] = Sentence::of(
                match (true) {
                    $slope->p >= self::ALPHA => 'coat_life.slope_none',
                    $slope->slope < 0 => 'coat_life.slope_down',
                    default => 'coat_life.slope_up',
                },
                by: Quantity::newtons(abs($slope->slope)),
                low: Quantity::newtons($slope->interval->low),
                high: Quantity::newtons($slope->interval->high),
            );
        }

        return $sentences;
    }
}
