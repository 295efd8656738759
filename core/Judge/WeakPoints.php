<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\Design;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullRule;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\VariedFactors;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What stands against taking the verdicts of a comparison for more than they are, the gravest first. */
final readonly class WeakPoints
{
    /** A scale that is off by less is as good as right. */
    private const OFF = 0.005;
    /** Rooms that are the same to anybody, K. */
    public const ROOM_K = 2.0;

    /**
     * @param list<SetupRecord>                                            $records
     * @param list<SetupJudgement>                                         $judged  of those, in the same order
     * @param list<array{voids: int, alone: int}>                          $voids   likewise
     * @param bool                                                         $grew    runs were added after the verdict was known
     * @param int                                                          $open    runs that go on, and are left out
     * @param array{waiting: int, warm: int, simulated: int}               $read    runs that are done and were begun after one that goes on, cold
     *                                                                              pulls that were none, and readings of a device that is not there
     * @param array{surfaces: int, plates: int, lots: int, materials: int} $spread  how many of each took part
     * @param array{otherFile: int, roomLowC: float, roomHighC: float}     $made    runs printed from another file than the plan's, and the rooms
     *
     * @return list<Sentence>
     */
    public static function of(
        array $records,
        array $judged,
        ProofPlan $plan,
        VariedFactors $varied,
        array $voids,
        bool $grew,
        int $open,
        array $read,
        array $spread,
        array $made,
    ): array {
        $points = $varied->confounded() ? [$varied->sentence()] : [];
        if ($grew && Design::Fixed === $plan->design) {
            $points[] = Sentence::of('weak.grew');
        }
        if ($open > 0) {
            $points[] = Sentence::of('weak.open', runs: Quantity::count($open));
        }
        foreach (['waiting', 'warm', 'simulated'] as $what) {
            if ($read[$what] > 0) {
                $points[] = Sentence::of('weak.'.$what, runs: Quantity::count($read[$what]));
            }
        }
        $unseen = [];
        foreach ($records as $i => $record) {
            $points = [...$points, ...self::ofSetup($record, $voids[$i])];
            $pulls = $judged[$i]->hold->pulls;
            if (null !== $pulls && PullRule::Share !== $pulls->rule && Answer::Yes === $pulls->clears && !Reasons::weakWouldShow($plan->design, $pulls->n)) {
                $unseen[] = $record->name;
            }
        }
        if ([] !== $unseen) {
            $points[] = Sentence::of('weak.unseen', setups: Listing::of($unseen));
        }
        if ($made['otherFile'] > 0) {
            $points[] = Sentence::of('weak.other_file', runs: Quantity::count($made['otherFile']));
        }
        if ($made['roomHighC'] - $made['roomLowC'] > self::ROOM_K) {
            $points[] = Sentence::of('weak.rooms', low: Quantity::celsius($made['roomLowC']), high: Quantity::celsius($made['roomHighC']));
        }
        $points = [...$points, ...self::ofScale($records)];
        $only = array_values(array_filter([
            $spread['lots'] > $spread['materials'] ? null : Sentence::of('weak.one_lot'),
            $spread['plates'] > $spread['surfaces'] ? null : Sentence::of('weak.one_plate'),
        ]));
        if ([] !== $only) {
            $points[] = Sentence::of('weak.only', only: Listing::of($only));
        }

        return $points;
    }

    /**
     * @param array{voids: int, alone: int} $voids
     *
     * @return list<Sentence>
     */
    private static function ofSetup(SetupRecord $record, array $voids): array
    {
        $points = [];
        if ($voids['voids'] > 0) {
            $points[] = Sentence::of('weak.voids', setup: $record->name, voids: Quantity::count($voids['voids']), alone: Quantity::count($voids['alone']));
        }
        $visits = array_unique($record->visits ?? []);
        if (1 === \count($visits) && \count($record->runs) > 1) {
            $points[] = Sentence::of('weak.one_visit', setup: $record->name);
        }
        foreach ([Measure::PullHot, Measure::PullCold] as $measure) {
            $pulls = $record->readings($measure);
            $bounds = \count(array_filter($pulls, static fn (Reading $pull): bool => $pull->atLeast));
            if ($bounds > 0 && 2 * $bounds >= \count($pulls)) {
                $points[] = Sentence::of(
                    'weak.bounds',
                    setup: $record->name,
                    measure: $measure->words(),
                    bounds: Quantity::count($bounds),
                    n: Quantity::count(\count($pulls)),
                );
            }
        }

        return $points;
    }

    /**
     * @param list<SetupRecord> $records
     *
     * @return list<Sentence>
     */
    private static function ofScale(array $records): array
    {
        $unchecked = 0;
        $off = 1.0;
        foreach ($records as $record) {
            foreach ([...$record->readings(Measure::PullHot), ...$record->readings(Measure::PullCold)] as $pull) {
                $unchecked += null === $pull->gain ? 1 : 0;
                $off = abs(($pull->gain ?? 1.0) - 1) > abs($off - 1) ? (float) $pull->gain : $off;
            }
        }

        return array_values(array_filter([
            abs($off - 1) < self::OFF ? null : Sentence::of($off > 1 ? 'weak.scale_low' : 'weak.scale_high', share: Quantity::share(abs($off - 1), self::OFF)),
            0 === $unchecked ? null : Sentence::of('weak.scale_unchecked', pulls: Quantity::count($unchecked)),
        ]));
    }
}
