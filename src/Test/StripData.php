<?php

declare(strict_types=1);

namespace App\Test;

use App\Catalogue\ShopCatalogue;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Choose\Gate\Stop;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\JobRequest;

/** What the seat strip draws: the window, target and set-point, the stops, and where the part comes off. */
final readonly class StripData
{
    public function __construct(private ShopCatalogue $shop, private SetupDial $dial)
    {
    }

    /**
     * @param float|null $target    on the axis of the window; null: unheated
     * @param float|null $setPointC on the display
     *
     * @return array<string, mixed>
     */
    public static function of(Proposal $proposal, Pairing $pairing, ?float $target, ?float $setPointC): array
    {
        return [
            'axis' => $pairing->window->axis->value,
            'low' => $pairing->window->low,
            'target' => $target,
            'setPointC' => $setPointC,
            'high' => $pairing->window->high,
            'releaseC' => $pairing->releaseWithC($proposal->agent),
            'roomC' => $proposal->job->roomC,
            'stops' => array_map(static fn (Stop $stop): array => ['kind' => $stop->kind, 'label' => $stop->label(), 'atC' => $stop->atC], $proposal->stops()),
        ];
    }

    /** @return array<string, mixed>|null null where practice has no window for the pair */
    public function ofSetup(Setup $setup): ?array
    {
        $comparison = $setup->comparison;
        $catalogue = $this->shop->get();
        $surface = $catalogue->surface($setup->fitting->surfaceId);
        $pairing = $catalogue->pairing($setup->materialId, $surface->id);
        if (null === $pairing) {
            return null;
        }
        $job = new JobRequest($catalogue->material($setup->materialId), $comparison->printer->facts($catalogue), $comparison->roomC);

        $side = $this->dial->side($comparison->printer, $setup->side);
        $agent = null === $setup->agent ? null : $catalogue->agent($setup->agent->kindId);
        $surfaceC = null === $setup->bedFirstC ? null : ($this->dial->ofSetup($setup)->surfaceC ?? $setup->bedFirstC);

        return self::of(new Proposal($job, $side, $surface, $agent, $pairing, null), $pairing, $setup->exposureS ?? $surfaceC, $setup->bedFirstC);
    }
}
