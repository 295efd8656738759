<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** Finds a run that nobody has begun, and moves it on. */
trait GoesThroughARun
{
    private const UNDER_WAY = 'Dew shields in night-black PETG: bare, stick or cool plate?';

    /** @return array{string, int} of the comparison that is under way in the demo, unless another is named */
    private function planned(string $pull, ?string $comparison = null): array
    {
        $comparison ??= $this->pick('/api/comparisons', 'title', self::UNDER_WAY)['id'];
        foreach ($this->ask('GET', "/api/comparisons/$comparison", null, 200)['runs'] as $run) {
            if ('planned' === $run['status'] && $run['pull'] === $pull) {
                return [$run['id'], $run['version']];
            }
        }
        self::fail("No planned run with a $pull pull is left.");
    }

    private function step(string $id, int $version, string $step): int
    {
        return $this->ask('POST', "/api/runs/$id/step", ['version' => $version, 'step' => $step], 200)['run']['version'];
    }
}
