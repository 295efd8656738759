<?php

declare(strict_types=1);

namespace App\Test;

use App\Catalogue\ShopCatalogue;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Window\HeatPlans;

/** How long a setup takes to cool until the part lets go, as it is reckoned for a candidate. */
final readonly class SetupCooling
{
    public function __construct(private ShopCatalogue $shop, private SetupDial $dial)
    {
    }

    /** @return float|null seconds in still air; null: nothing heats, or nobody can say */
    public function seconds(Setup $setup): ?float
    {
        if (null === $setup->bedFirstC) {
            return null;
        }
        $catalogue = $this->shop->get();
        $comparison = $setup->comparison;
        $surface = $catalogue->surface($setup->fitting->surfaceId);
        $job = new JobRequest(
            $catalogue->material($setup->materialId),
            $comparison->printer->facts($catalogue),
            $comparison->roomC,
            bedC: $setup->bedOtherC ?? $setup->bedFirstC,
        );
        $proposal = Proposal::ofSide(
            $job,
            $this->dial->side($comparison->printer, $setup->side),
            $surface,
            $catalogue->pairing($setup->materialId, $surface->id),
        )->withAgent(null === $setup->agent ? null : $catalogue->agent($setup->agent->kindId));

        return (new HeatPlans())->of($proposal)?->stillAirSeconds;
    }
}
