<?php

declare(strict_types=1);

namespace App\Test;

use App\Catalogue\ShopCatalogue;
use App\Shelf\Lot;
use Sitzplatz\Choose\Gate\Precaution;
use Sitzplatz\Choose\Gate\Risk;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Window\SetupCheck;
use Sitzplatz\Words\Sentence;

/** What practice rules out of the setups of a comparison, and what has to be ready before it is tried all the same. */
final readonly class SetupRisks
{
    public function __construct(private ShopCatalogue $shop)
    {
    }

    /** What is printed, where and how hot the nozzle is, as far as it decides on what may be tried. */
    public function job(Comparison $comparison, Lot $lot, ?float $nozzleC): JobRequest
    {
        $catalogue = $this->shop->get();

        return new JobRequest(
            $catalogue->material($lot->materialId),
            $comparison->printer->facts($catalogue),
            $comparison->roomC,
            $lot->id->toRfc4122(),
            nozzleC: $nozzleC,
        );
    }

    /** @return list<Risk> */
    public function of(Setup $setup): array
    {
        return SetupCheck::risks(
            $this->shop->get(),
            $this->job($setup->comparison, $setup->lot, $setup->nozzleFirstC),
            $setup->side->facts($this->shop->get()),
            $setup->agent?->kindId,
            $setup->bedFirstC,
        );
    }

    /** @return list<string> letters of those that no lead has taken on */
    public function notTaken(Comparison $comparison): array
    {
        $open = $comparison->setups->filter(fn (Setup $setup): bool => null === $setup->riskTaken && [] !== $this->of($setup));

        return array_values($open->map(static fn (Setup $setup): string => $setup->label)->toArray());
    }

    /** @return array{reasons: list<Sentence>, precautions: list<array{key: string, words: Sentence}>}|null null: practice has nothing against it */
    public function said(Setup $setup): ?array
    {
        $risks = $this->of($setup);

        return [] === $risks ? null : [
            'reasons' => array_map(static fn (Risk $risk): Sentence => $risk->reason, $risks),
            'precautions' => array_map(
                static fn (Precaution $each): array => ['key' => $each->value, 'words' => $each->words()],
                Risk::precautions($risks),
            ),
        ];
    }

    /** @return list<Sentence> what stands in the way and what has to be ready, for whoever makes a run of it */
    public function cautions(Setup $setup): array
    {
        $said = $this->said($setup);

        return null === $said ? [] : [
            Sentence::of('caution.against_the_rule', why: $setup->riskTaken['why'] ?? '', by: $setup->riskTaken['by'] ?? ''),
            ...$said['reasons'],
            ...array_column($said['precautions'], 'words'),
        ];
    }
}
