<?php

declare(strict_types=1);

namespace App\Choose;

use App\Catalogue\ShopCatalogue;
use App\Test\Expected;
use App\Test\Setup;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\JobRequest;

/** The expectation of a planned setup, reckoned as for a candidate on its side with its agent and bed temperature. */
final readonly class ExpectedOfSetup implements Expected
{
    public function __construct(private ShopCatalogue $shop, private OwnRunsRepository $ownRuns, private SidesToday $sides)
    {
    }

    public function of(Setup $setup): ?array
    {
        $catalogue = $this->shop->get();
        $comparison = $setup->comparison;
        $job = new JobRequest(
            $catalogue->material($comparison->materialId),
            $comparison->printer->facts($catalogue),
            $comparison->roomC,
            $comparison->lot->id->toRfc4122(),
            minutes: (float) $comparison->durations['printMinutes'],
            foothold: Foothold::none(),
            bedC: $setup->bedFirstC,
            nozzleC: $comparison->nozzleFirstC,
            gapMm: $comparison->gapMm,
        );
        $ranking = Ranking::of(
            $catalogue,
            $job,
            [$this->sides->one($comparison->printer, $setup->side)],
            null === $setup->agent ? [] : [$setup->agent->facts($catalogue)],
            $this->ownRuns->experience($comparison->materialId),
        );
        foreach ($ranking->candidates as $candidate) {
            // A resin is seated on seconds, whatever stands for the bed.
            $asSet = !$job->material->filament || (null === $setup->bedFirstC) === (null === $candidate->target->at);
            if ($asSet && $candidate->treatment->agentId === $setup->agent?->kindId) {
                return ['hold' => $candidate->hold->belief->mean(), 'release' => $candidate->release->belief->mean()];
            }
        }

        return null;
    }
}
