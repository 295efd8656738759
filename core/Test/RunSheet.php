<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\UnusableKey;

/**
 * What to do at each step of a run, with timers and the cautions of that step. The steps are common
 * practice; cautions inform, local codes and data sheets come first.
 */
final readonly class RunSheet
{
    /** Lift normally shows within it (trade notes, section 7). */
    private const FIRST_HOUR_SECONDS = 3600;

    /**
     * @param list<CatalogueText> $surfaceCautions
     * @param list<Sentence>      $risks           what practice rules out of it and a lead took on, and what has to be ready
     */
    public function __construct(
        private string $plate,
        private CatalogueText $surface,
        private Phrase $clean,
        private ?string $agent,
        private ?CatalogueText $putOn,
        private ?CatalogueText $agentHazard,
        private ?float $bedFirstC,
        private ?float $nozzleC,
        private string $gcodeName,
        private ?float $releaseC,
        private float $soakMinutes,
        private bool $fumes,
        private bool $plateChange,
        private array $surfaceCautions,
        private ?float $bedOtherC = null,
        private Taken $taken = new Taken(),
        /** Null: as its surface usually lies. */
        private ?PlateBuild $build = null,
        /** What the display must show, and what the surface then has; null: unheated, or not known. */
        private ?Sentence $dial = null,
        /** The material cracks when an opened door cools it. */
        private bool $doorShut = false,
        /** Else a resin. */
        private bool $filament = true,
        /** What this setup alone has. */
        private OwnFactors $own = new OwnFactors(),
        /** Null: as is held constant. */
        private ?string $ownLot = null,
        /** Until the part lets go in still air, by the sum; null: nobody can say. */
        private ?float $coolSeconds = null,
        /** Which print on its coat it is, from 1; null: each print has a coat of its own. */
        private ?int $printOnCoat = null,
        /** Further prints follow on the same coat. */
        private bool $coatGoesOn = false,
        /** Parts on the plate. */
        private int $parts = 1,
        /** Planned of the print, minutes; null: nobody said. */
        private ?float $printMinutes = null,
        /** What a thermometer on the plate shows now, °C; null: none is watched. */
        private ?float $showsC = null,
        private ?PlateSpot $spot = null,
        private array $risks = [],
        /** What is glued to the bed and has to go before; null: nothing. */
        private ?string $stripFirst = null,
        /** The heater is a printed circuit board. */
        private bool $boardHeater = false,
    ) {
    }

    /**
     * @return array{step: string, title: Phrase, lines: list<Phrase>, cautions: list<Phrase>, timerSeconds: ?int}
     */
    public function at(SheetStep $step): array
    {
        if ($step instanceof AddedStep) {
            return [
                'step' => $step->key(),
                'title' => $step->words(),
                'lines' => $step->lines(),
                'cautions' => $step->cautions(),
                'timerSeconds' => $step->timerSeconds(),
            ];
        }
        if (!$step instanceof RunStep) {
            throw UnusableKey::of($step->key());
        }
        [$lines, $cautions, $timer] = $this->filament ? $this->ofFilament($step) : $this->ofResin($step);
        if (\in_array($step, [RunStep::Prepare, RunStep::HotPull, RunStep::ColdPull], true)) {
            $cautions = [...$this->risks, ...$cautions];
        }
        $title = match (true) {
            !$this->filament => 'resin.title.'.$step->value,
            RunStep::ColdPull === $step && !$this->taken->pulls => 'sheet.title.take_off',
            RunStep::HotPull === $step && !$this->taken->pulls => 'sheet.title.off_hot',
            default => 'sheet.title.'.$step->value,
        };

        return ['step' => $step->value, 'title' => Sentence::of($title), 'lines' => $lines, 'cautions' => $cautions, 'timerSeconds' => $timer];
    }

    /** @return array{list<Phrase>, list<Phrase>, ?int} lines, cautions, seconds */
    private function ofFilament(RunStep $step): array
    {
        return match ($step) {
            RunStep::Prepare => [
                [
                    ...(null === $this->stripFirst ? [] : [Sentence::of(
                        'sheet.prepare.strip',
                        plate: $this->stripFirst,
                        minutes: Quantity::minutes(PlateBuild::STRIP_MINUTES),
                    )]),
                    Sentence::of($this->plateChange ? 'sheet.prepare.put_on' : 'sheet.prepare.stays', plate: $this->plate, surface: $this->surface),
                    ...$this->coat(),
                    ...$this->ownLot(),
                    null === $this->own->gapMm
                        ? Sentence::of('sheet.prepare.gap')
                        : Sentence::of('sheet.prepare.own_gap', gap: Quantity::millimetres($this->own->gapMm)),
                ],
                null === $this->agentHazard ? [] : [$this->agentHazard],
                null,
            ],
            RunStep::HeatAndSoak => [
                [
                    null === $this->bedFirstC ? Sentence::of('sheet.heat.unheated') : Sentence::of(
                        'sheet.heat.set',
                        dial: $this->dial ?? Sentence::of('dial.unknown', display: Quantity::celsius($this->bedFirstC)),
                    ),
                    Sentence::of('sheet.heat.soak'),
                ],
                [Sentence::of('caution.hot_bed')],
                (int) round(60 * $this->soakMinutes),
            ],
            RunStep::Print => [
                [
                    null === $this->nozzleC
                        ? Sentence::of('sheet.print.start', file: $this->gcodeName)
                        : Sentence::of('sheet.print.start_nozzle', file: $this->gcodeName, nozzle: Quantity::celsius($this->nozzleC)),
                    $this->file(),
                    ...(null === $this->spot ? [] : [Sentence::of('sheet.print.spot', spot: $this->spot->words())]),
                    ...($this->doorShut ? [Sentence::of('sheet.door_shut')] : []),
                ],
                [Sentence::of('caution.moving_nozzle'), ...($this->fumes ? [Sentence::of('caution.fumes')] : [])],
                null,
            ],
            RunStep::FirstLayer => [
                [
                    Sentence::of('sheet.first_layer.even'),
                    Sentence::of('sheet.first_layer.gap_wrong'),
                    ...$this->bedAfter(),
                    Sentence::of($this->secondLook() ? 'sheet.first_layer.look_again' : 'sheet.first_layer.lift'),
                    ...($this->parts > 1 ? [Sentence::of('sheet.first_layer.parts', parts: Quantity::count($this->parts))] : []),
                ],
                array_values(array_filter([BedAfterFirstLayer::caution($this->bedFirstC, $this->bedOtherC, $this->boardHeater)])),
                $this->secondLook() ? self::FIRST_HOUR_SECONDS : null,
            ],
            RunStep::HotPull => [
                [
                    Sentence::of('sheet.hot_pull.keep'),
                    ...($this->taken->pulls
                        ? [Sentence::of('sheet.hot_pull.pull'), Sentence::of('sheet.hot_pull.what_let_go')]
                        : [Sentence::of('sheet.hot_pull.by_hand')]),
                    ...($this->own->takenHot ? [Sentence::of('sheet.hot_pull.taken_off')] : []),
                ],
                [
                    Sentence::of('caution.hot_plate'),
                    ...($this->taken->pulls ? [Sentence::of('caution.line_of_pull')] : []),
                    ...($this->own->takenHot ? [Sentence::of('caution.off_hot'), ...$this->surfaceCautions] : []),
                ],
                null,
            ],
            RunStep::Cool => [
                [
                    Sentence::of('sheet.cool.off'),
                    ...($this->doorShut ? [Sentence::of('sheet.door_shut')] : []),
                    null === $this->releaseC ? Sentence::of('sheet.cool.room') : Sentence::of('sheet.cool.below', below: Quantity::celsius($this->releaseC)),
                    Sentence::of('sheet.cool.write_down'),
                ],
                null !== $this->showsC && null !== $this->releaseC && $this->showsC <= $this->releaseC ? [] : [Sentence::of('caution.still_hot')],
                null === $this->coolSeconds ? null : (int) round($this->coolSeconds),
            ],
            RunStep::ColdPull => [
                [
                    ...($this->taken->pulls
                        ? [Sentence::of('sheet.cold_pull.pull'), Sentence::of('sheet.cold_pull.loose')]
                        : [Sentence::of('sheet.cold_pull.by_hand')]),
                    Sentence::of(false === $this->build?->flexes ? 'sheet.cold_pull.will_not_rigid' : 'sheet.cold_pull.will_not'),
                ],
                [Sentence::of(false === $this->build?->flexes ? 'caution.scraper_rigid' : 'caution.scraper'), ...$this->surfaceCautions],
                null,
            ],
            RunStep::Inspect => [
                [Sentence::of('sheet.inspect.effort'), Sentence::of($this->taken->lift ? 'sheet.inspect.lift_decides' : 'sheet.inspect.lift')],
                [],
                null,
            ],
            RunStep::Wash, RunStep::Cure => throw UnusableKey::of($step->value),
            RunStep::Clean => [
                $this->coatGoesOn ? [Sentence::of('sheet.clean.leave_coat')] : [
                    $this->clean,
                    ...$this->onThePrinter(),
                    Sentence::of(null === $this->agent ? 'sheet.clean.tabs' : 'sheet.clean.renew'),
                ],
                [],
                null,
            ],
        };
    }

    /**
     * The cautions of a resin stand at every step at which a hand comes near it (common practice).
     *
     * @return array{list<Phrase>, list<Phrase>, ?int} lines, cautions, seconds
     */
    private function ofResin(RunStep $step): array
    {
        $bare = null === $this->agent || null === $this->putOn;

        return match ($step) {
            RunStep::Prepare => [
                [
                    Sentence::of($this->plateChange ? 'resin.prepare.put_on' : 'sheet.prepare.stays', plate: $this->plate, surface: $this->surface),
                    $this->clean,
                    $bare ? Sentence::of('sheet.prepare.bare') : Sentence::of('sheet.prepare.agent', agent: $this->agent, how: $this->putOn),
                    ...$this->ownLot(),
                    Sentence::of('resin.prepare.level'),
                    Sentence::of('resin.prepare.stir'),
                ],
                [...$this->surfaceCautions, ...(null === $this->agentHazard ? [] : [$this->agentHazard])],
                null,
            ],
            RunStep::Print => [
                [Sentence::of('sheet.print.start', file: $this->gcodeName), null === $this->own->exposureS
                    ? Sentence::of('resin.print.exposure')
                    : Sentence::of('resin.print.own_exposure', exposure: Quantity::seconds($this->own->exposureS, 0.1))],
                $this->fumes ? [Sentence::of('caution.fumes')] : [],
                null,
            ],
            RunStep::FirstLayer => [
                [Sentence::of('resin.watch.sound'), Sentence::of('resin.watch.end')],
                [],
                null,
            ],
            RunStep::ColdPull => [
                [
                    Sentence::of('resin.take_off.drain'),
                    Sentence::of(false === $this->build?->flexes ? 'resin.take_off.scraper' : 'resin.take_off.flex'),
                ],
                [Sentence::of('caution.scraper_rigid'), ...$this->surfaceCautions],
                null,
            ],
            RunStep::Wash => [
                [Sentence::of('resin.wash.baths'), Sentence::of('resin.wash.no_longer')],
                [Sentence::of('caution.wash'), ...$this->surfaceCautions],
                null,
            ],
            RunStep::Cure => [
                [Sentence::of('resin.cure.dry'), Sentence::of('resin.cure.foot')],
                [Sentence::of('caution.lamp'), ...$this->surfaceCautions],
                null,
            ],
            RunStep::Inspect => [[Sentence::of('resin.inspect.effort'), Sentence::of('resin.inspect.plate')], $this->surfaceCautions, null],
            RunStep::Clean => [[$this->clean, Sentence::of('resin.clean.vat')], $this->surfaceCautions, null],
            RunStep::HeatAndSoak, RunStep::HotPull, RunStep::Cool => throw UnusableKey::of($step->value),
        };
    }

    /** A print that goes on beyond the hour within which corners lift. */
    private function secondLook(): bool
    {
        return 60 * ($this->printMinutes ?? 0.0) > self::FIRST_HOUR_SECONDS;
    }

    /** @return list<Phrase> */
    private function coat(): array
    {
        if (null !== $this->printOnCoat && $this->printOnCoat > 1) {
            return [Sentence::of('sheet.prepare.coat_stays', print: Quantity::count($this->printOnCoat))];
        }

        return [
            $this->clean,
            ...$this->onThePrinter(),
            null === $this->agent || null === $this->putOn
                ? Sentence::of('sheet.prepare.bare')
                : Sentence::of('sheet.prepare.agent', agent: $this->agent, how: $this->putOn),
            ...(null === $this->printOnCoat ? [] : [Sentence::of('sheet.prepare.one_spot')]),
        ];
    }

    /** @return list<Sentence> */
    private function ownLot(): array
    {
        return null === $this->ownLot ? [] : [Sentence::of('sheet.prepare.own_lot', lot: $this->ownLot)];
    }

    /** What a setup has of its own is in a file of its own, and nothing else may be. */
    private function file(): Sentence
    {
        $own = (new OwnFactors(null, $this->own->nozzleFirstC, $this->own->speedMmS, $this->own->brim))->words(null);

        return [] === $own ? Sentence::of('sheet.print.same_file') : Sentence::of('sheet.print.own_file', own: Listing::of($own));
    }

    /** @return list<Sentence> a plate that cannot be taken off is not washed in a sink */
    private function onThePrinter(): array
    {
        return false === $this->build?->comesOff ? [Sentence::of('sheet.clean.on_the_printer')] : [];
    }

    /** @return list<Sentence> */
    private function bedAfter(): array
    {
        if (null === $this->bedFirstC || (null !== $this->bedOtherC && abs($this->bedOtherC - $this->bedFirstC) < 0.05)) {
            return [];
        }

        return [null === $this->bedOtherC ? Sentence::of('sheet.first_layer.bed_off') : Sentence::of(
            'sheet.first_layer.bed_after',
            bed: Quantity::celsius($this->bedOtherC),
        )];
    }
}
