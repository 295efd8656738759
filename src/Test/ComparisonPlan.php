<?php

declare(strict_types=1);

namespace App\Test;

use App\Catalogue\ShopCatalogue;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\AgentStock;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Sitzplatz\Choose\Window\SetupCheck;
use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\OwnFactors;
use Sitzplatz\Test\SetupLabel;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Uid\Uuid;

/** Brings a plan as it was sent into a comparison, or says what stands against it. */
final readonly class ComparisonPlan
{
    public function __construct(
        private StoredEdit $edit,
        private ShopCatalogue $shop,
        private Expected $expected,
        private ComparisonView $view,
        private Now $now,
        private SetupRisks $risks,
    ) {
    }

    /**
     * A comparison that is not stored, to see what the plan comes to.
     *
     * @param array<string, mixed> $body
     */
    public function tried(array $body): Comparison
    {
        $comparison = new Comparison(
            Uuid::v7(),
            $this->now->time(),
            $this->edit->reference(Lot::class, $body['lotId'], 'lotId'),
            $this->edit->reference(Printer::class, $body['printerId'], 'printerId'),
        );
        $this->shape($comparison, $body);

        return $comparison;
    }

    /** @param array<string, mixed> $body */
    public function apply(Comparison $comparison, array $body): void
    {
        $this->shape($comparison, $body);
        foreach ($comparison->setups as $setup) {
            // What is expected is how it comes off after cooling.
            $setup->expect($setup->takenHot ? null : $this->expected->of($setup));
        }
    }

    /** @param array<string, mixed> $body */
    private function shape(Comparison $comparison, array $body): void
    {
        foreach ($body['constants']['alsoMaterialIds'] ?? [] as $i => $id) {
            if (true !== ($this->shop->get()->materials[$id] ?? null)?->filament) {
                throw Problem::invalid("constants.alsoMaterialIds.$i", Sentence::of('plan.no_such_filament'));
            }
        }
        $comparison->apply($body);
        $comparison->control = isset($body['controlId']) ? $this->edit->reference(Comparison::class, $body['controlId'], 'controlId') : null;
        if ($comparison->control === $comparison) {
            throw Problem::invalid('controlId', Sentence::of('plan.control_itself'));
        }
        $wrong = SetupCheck::wrongKind($this->risks->job($comparison, $comparison->lot, null));
        if (null !== $wrong) {
            throw Problem::invalid('printerId', $wrong);
        }
        $taken = [];
        foreach ($comparison->setups as $setup) {
            $taken[self::same($setup)] = $setup->riskTaken;
        }
        $comparison->setups->clear();
        foreach ($body['setups'] as $i => $each) {
            $setup = $this->setup($comparison, $i, $each);
            // What a lead took on stays where nothing of it was changed.
            $setup->riskTaken = $taken[self::same($setup)] ?? null;
            $comparison->setups->add($setup);
        }
        try {
            $comparison->plan()->check($comparison->taken(), $comparison->hotPerSetup);
            $this->view->order($comparison);
        } catch (BadPlan $e) {
            throw Problem::invalid($e->field, $e->sentence, previous: $e);
        }
    }

    /** @param array<string, mixed> $said */
    private function setup(Comparison $comparison, int $i, array $said): Setup
    {
        $catalogue = $this->shop->get();
        $side = $this->edit->reference(PlateSide::class, $said['plateSideId'], "setups.$i.plateSideId");
        $agent = null === $said['agentId'] ? null : $this->edit->reference(AgentStock::class, $said['agentId'], "setups.$i.agentId");
        $lot = isset($said['lotId']) ? $this->edit->reference(Lot::class, $said['lotId'], "setups.$i.lotId") : $comparison->lot;
        $job = $this->risks->job($comparison, $lot, Number::orNull($said['nozzleFirstC'] ?? null) ?? $comparison->nozzleFirstC);
        $refusal = SetupCheck::wrongKind($job) ?? SetupCheck::refuses(
            $catalogue,
            $job,
            $side->facts($catalogue),
            $agent?->kindId,
            Number::orNull($said['bedFirstC']),
            Number::orNull($said['bedOtherC']),
        );
        if (null !== $refusal) {
            throw Problem::invalid("setups.$i", $refusal);
        }
        if (!$job->material->filament && null === ($said['exposureS'] ?? null)) {
            throw Problem::invalid("setups.$i.exposureS", Sentence::of('plan.exposure_not_said'));
        }
        if ($job->material->filament && null === $said['bedFirstC'] && !($said['unheated'] ?? false)) {
            throw Problem::invalid("setups.$i.bedFirstC", Sentence::of('plan.bed_not_said'));
        }
        $setup = new Setup(
            Uuid::v7(),
            $this->now->time(),
            $comparison,
            SetupLabel::at($i),
            $i,
            $side,
            $side->current(),
            $agent,
            Number::orNull($said['bedFirstC']),
            Number::orNull($said['bedOtherC']),
        );
        $setup->vary(OwnFactors::of($said), $lot);

        return $setup;
    }

    /** What of a setup decides on what may be lost by it. */
    private static function same(Setup $setup): string
    {
        return serialize([
            $setup->side->id->toRfc4122(),
            $setup->fitting->id->toRfc4122(),
            $setup->agent?->id->toRfc4122(),
            $setup->lot->id->toRfc4122(),
            $setup->comparison->printer->id->toRfc4122(),
            $setup->bedFirstC,
            $setup->bedOtherC,
        ]);
    }
}
