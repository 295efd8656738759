<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\OwnFactors;

/** Every combination of what is to differ (full factorial design): each level of a factor meets each level of the others. */
final readonly class Grid
{
    /** Of a plan, of those that the rules let pass; letters and a day at the bench run out. */
    public const MOST_SETUPS = 12;
    /** That are looked at. */
    private const MOST_COMBINATIONS = 400;

    /**
     * @param non-empty-list<string>      $sideIds
     * @param non-empty-list<string|null> $agentIds null: bare
     * @param list<float|null>            $bedsC    on the display, null: unheated; none: as is usual for each pair
     * @param list<float>                 $speeds   of the first layer, mm/s; none: as is held constant
     * @param list<string|null>           $lotIds   null: that of the plan; none: that of the plan
     *
     * @return list<SetupDraft>
     *
     * @throws BadPlan if there are more than anybody looks at
     */
    public static function of(array $sideIds, array $agentIds, array $bedsC, array $speeds, array $lotIds): array
    {
        $drafts = [];
        foreach ($sideIds as $side) {
            foreach ($agentIds as $agent) {
                foreach ([] === $bedsC ? [null] : $bedsC as $bed) {
                    foreach ([] === $speeds ? [null] : $speeds as $speed) {
                        foreach ([] === $lotIds ? [null] : $lotIds as $lot) {
                            $drafts[] = new SetupDraft($side, $agent, $bed, $bed, [] !== $bedsC && null === $bed, new OwnFactors(speedMmS: $speed), $lot);
                        }
                    }
                }
            }
        }
        if (\count($drafts) > self::MOST_COMBINATIONS) {
            throw BadPlan::tooManySetups(\count($drafts), self::MOST_SETUPS);
        }

        return $drafts;
    }

    /**
     * How many the rules left.
     *
     * @throws BadPlan if they are more than a plan takes
     */
    public static function fits(int $setups): void
    {
        if ($setups > self::MOST_SETUPS) {
            throw BadPlan::tooManySetups($setups, self::MOST_SETUPS);
        }
    }
}
