<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * What the run sheet and an import want said of a run; how what was said counts, {@see RunOutcomes} tells. Whether
 * the part held; of one that did, its lift where lift decides; of one that was pulled hot, the pull; of one that was taken
 * off after cooling, the pull where pulls are taken, how hard it came and whether the plate was harmed. A part that came
 * off in the print needs no word on its release.
 */
final class Completeness
{
    private const OF_RELEASE = [Measure::Effort, Measure::Damage];

    /**
     * What the plan wants and nobody has said.
     *
     * @param bool|null      $held     null: not said
     * @param list<Measured> $said
     * @param list<Measure>  $notTaken marked as not taken, with a reason
     * @param Taken          $taken    by which instruments the plan judges
     * @param bool           $takenOff a hot pull is the way in which the part is taken off, so it says how
     *
     * @return list<Measure>
     */
    public static function missing(PullKind $pull, ?bool $held, array $said, array $notTaken = [], Taken $taken = new Taken(), bool $takenOff = false): array
    {
        if (null === $held) {
            return \in_array(Measure::Held, $notTaken, true) ? [] : [Measure::Held];
        }
        if (!$held) {
            return [];
        }
        // A part that was not pulled hot after all is taken off cold.
        $wanted = match (true) {
            PullKind::Cold === $pull => [...($taken->pulls ? [Measure::PullCold] : []), ...self::OF_RELEASE],
            !$taken->pulls => self::OF_RELEASE,
            \in_array(Measure::PullHot, $notTaken, true) && !\in_array(Measure::PullHot, $said, true) => self::OF_RELEASE,
            $takenOff => [Measure::PullHot, ...self::OF_RELEASE],
            default => [Measure::PullHot],
        };

        return array_values(array_filter(
            [...$wanted, ...($taken->lift ? [Measure::Lift] : [])],
            static fn (Measure $measure): bool => !\in_array($measure, $said, true) && !\in_array($measure, $notTaken, true),
        ));
    }
}
