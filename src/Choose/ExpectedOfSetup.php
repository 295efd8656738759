<?php

declare(strict_types=1);

namespace App\Choose;

use App\Catalogue\ShopCatalogue;
use App\Test\Expected;
use App\Test\Setup;
use Sitzplatz\Choose\Expectation\Experience;
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
        if (null !== $setup->own()->brim) {
            // A foothold in somebody's own words cannot be reckoned with.
            return null;
        }
        $catalogue = $this->shop->get();
        $comparison = $setup->comparison;
        $job = new JobRequest(
            $catalogue->material($setup->materialId),
            $comparison->printer->facts($catalogue),
            $comparison->roomC,
            $setup->lot->id->toRfc4122(),
            minutes: (float) $comparison->durations['printMinutes'],
            foothold: Foothold::none(),
            bedC: $setup->bedFirstC,
            nozzleC: $setup->nozzleFirstC,
            gapMm: $setup->gapMm,
            isTest: true,
        );
        $ranking = Ranking::of(
            $catalogue,
            $job,
            [$this->sides->one($comparison->printer, $setup->side)],
            null === $setup->agent ? [] : [$setup->agent->facts()],
            $this->ownRuns->experience($setup->materialId),
        );
        foreach ($ranking->candidates as $candidate) {
            // What is known of one exposure says nothing of another.
            $asSet = $job->material->filament
                ? (null === $setup->bedFirstC) === (null === $candidate->target->at)
                : Experience::sameExposure($setup->exposureS, $candidate->target->at);
            if ($asSet && $candidate->treatment->agentId === $setup->agent?->kindId) {
                return ['hold' => $candidate->hold->chance, 'release' => $candidate->release->chance, 'measures' => $candidate->moved->measures()];
            }
        }

        return null;
    }
}
