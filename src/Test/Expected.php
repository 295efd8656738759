<?php

declare(strict_types=1);

namespace App\Test;

/** What is expected of a setup before its first run; kept with the plan, so that a verdict can say where it differs. */
interface Expected
{
    /**
     * @return array{hold: float, release: float, measures: array<string, float>}|null chances, and what moved them; null: practice and own runs say
     *                                                                                 nothing, or it is ruled out
     */
    public function of(Setup $setup): ?array;
}
