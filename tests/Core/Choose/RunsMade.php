<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\RunConditions;

/** Own runs with their conditions told one by one. */
final class RunsMade
{
    public static function of(
        string $sideId,
        string $surfaceId,
        ?string $agentId,
        string $lotId,
        ?float $bedC,
        int $runs,
        int $held,
        int $released,
        int $clean,
        ?float $minutes = null,
        int $parts = 1,
        ?float $bedOtherC = null,
        ?string $printerId = null,
        bool $enclosed = true,
        ?float $chamberC = null,
        ?float $nozzleC = null,
        ?float $gapMm = null,
        ?float $roomC = null,
        bool $changedSince = false,
        ?float $exposureS = null,
        bool $ownBrim = false,
        bool $forUse = false,
    ): OwnRuns {
        $under = new RunConditions($bedC, $bedOtherC, $printerId, $enclosed, $chamberC, $nozzleC, $gapMm, $roomC, $exposureS, $ownBrim, $forUse);

        return new OwnRuns($sideId, $surfaceId, $agentId, $lotId, $under, $runs, $held, $released, $clean, $minutes, $parts, $changedSince);
    }
}
