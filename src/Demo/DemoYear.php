<?php

declare(strict_types=1);

namespace App\Demo;

use App\Care\CareEvent;
use App\Choose\Questions;
use App\Choose\RecordKeeper;
use App\Device\SimulatedPrinter;
use App\Evidence\ChangeEvent;
use App\Fix\FixCase;
use App\Keep\DriftWatch;
use App\Platform\Database\UtcType;
use App\Shelf\Fitting;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use App\Test\PrinterToken;
use App\Test\RunTally;
use Doctrine\ORM\EntityManagerInterface;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Evidence\ChangeKind;
use Sitzplatz\Heat\HeatUse;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlateSpot;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\Uuid;
use Symfony\Component\Uid\UuidV7;

/** A year of prints for use with the care between them, from demo/year.yaml; how each came out is drawn from a hidden truth. */
final class DemoYear
{
    private const MONTH_DAYS = 30.4;
    /** Prints between two washes. */
    private const WASH = [6, 10];
    /** On sheets that wear: how much the log-odds fall with each print beyond. */
    private const WEAR = 0.022;
    /** Of a print that is asked of as a long one. */
    private const LONG_MINUTES = 180;
    /** So finely chances are drawn. */
    private const FINE = 2 ** 30;
    private const ROOM_C = [16.0, 24.0];

    private Randomizer $random;
    private DemoShop $shop;
    private \DateTimeImmutable $now;
    /** @var array<string, Lot> */
    private array $lots = [];
    /** @var array<string, list<array{Fitting, \DateTimeImmutable}>> sheets of a side, the oldest first */
    private array $sheets = [];
    /** @var array<string, array{said: float|null, uncorrected: float|null, class: int|null, practice: float|null, basis: string, heat: HeatUse|null}> */
    private array $said = [];
    /** @var array<int, array{int, int}> prints until a recipe's side is washed and coated anew */
    private array $careIn = [];
    /** @var array<string, int> prints by sheet */
    private array $onSheet = [];

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly Questions $questions,
        private readonly RunTally $tally,
        private readonly DriftWatch $drift,
        private readonly RecordKeeper $record,
        #[Autowire('%env(APP_SECRET)%')]
        private readonly string $appSecret,
    ) {
    }

    /** @param array<string, mixed> $data */
    public function load(array $data, DemoShop $shop, \DateTimeImmutable $now): void
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($data['seed']));
        [$this->shop, $this->now] = [$shop, $now];
        $this->lots = $shop->lots;
        foreach ($data['lots'] as $l) {
            $this->lots[$l['label']] = $lot = new Lot(Uuid::v7(), $this->ago(400));
            $lot->apply([...$l, 'driedOn' => null, 'openedOn' => $this->ago(380)->format('Y-m-d'), 'note' => '', 'retired' => true]);
            $this->entities->persist($lot);
        }
        foreach ($data['sheets'] as $s) {
            $this->layedBefore($shop->sides[$s['side']], (float) $s['days'], $s['surfaceLot']);
        }
        foreach ($data['cases'] as $c) {
            $side = $shop->sides[$c['side']];
            $this->entities->persist(new FixCase(
                Uuid::v7(),
                $this->ago((float) $c['days']),
                $c['symptom'],
                $c['tried'],
                $c['cause'],
                $side->plate->printer,
                $side,
                null,
                $c['note'],
                $shop->people['Mara'],
            ));
        }
        $this->entities->flush();
        $this->prints($data['recipes'], array_values(array_map(floatval(...), $data['askedAgain'])), $data['changes']);
        $this->asItIsKnown();
        foreach ($data['open'] as $job) {
            $this->open($job);
        }
        $this->drift->rebuild($this->entities);
    }

    /** The simulated printer may report its prints. */
    public function letReport(string $printer): void
    {
        $this->entities->persist(PrinterToken::of(
            SimulatedPrinter::token($this->appSecret),
            Uuid::v7(),
            $this->now,
            $this->shop->printers[$printer],
            $this->shop->people['Mara'],
        ));
        $this->entities->flush();
    }

    /** From here on Choose knows all that was printed so far. */
    private function asItIsKnown(): void
    {
        $this->entities->flush();
        $this->tally->rebuild();
        $this->record->rebuild();
        $this->said = [];
    }

    /** The sheet that lies there now was laid so many days ago; another one lay there before. */
    private function layedBefore(PlateSide $side, float $days, string $lot): void
    {
        $now = $side->current();
        $laid = $this->ago($days);
        $before = new Fitting(Uuid::v7(), $side->createdAt, $side, $now->surfaceId, $lot, null);
        $this->entities->persist($before);
        $this->entities->flush();
        $this->entities->getConnection()->update('fitting', ['created_at' => UtcType::text($laid)], ['id' => $now->id->toBinary()]);
        $this->sheets[$side->label()] = [[$before, $side->createdAt], [$now, $laid]];
    }

    /**
     * One after the other as they were made; what Choose says of them is asked again now and then, as it knows more by then.
     *
     * @param list<array<string, mixed>> $recipes
     * @param list<float>                $askedAgain so many days ago
     * @param list<array<string, mixed>> $changes    to printers
     */
    private function prints(array $recipes, array $askedAgain, array $changes): void
    {
        $planned = [];
        foreach ($recipes as $i => $recipe) {
            [$from, $until] = $recipe['days'];
            for ($left = (int) round(($from - $until) / self::MONTH_DAYS * $recipe['perMonth']); $left > 0; --$left) {
                $planned[] = [$until + ($from - $until) * $this->chance(), $i];
            }
        }
        rsort($planned);
        foreach ($planned as [$day, $i]) {
            while ([] !== $changes && $changes[0]['days'] > $day) {
                $this->change(array_shift($changes));
            }
            if ([] !== $askedAgain && $askedAgain[0] > $day) {
                array_shift($askedAgain);
                $this->asItIsKnown();
            }
            $this->printed($i, $recipes[$i], $day);
        }
        $this->entities->flush();
    }

    /** @param array<string, mixed> $change */
    private function change(array $change): void
    {
        $this->entities->persist(new ChangeEvent(
            Uuid::v7(),
            $this->ago((float) $change['days']),
            $this->shop->printers[$change['printer']],
            ChangeKind::from($change['kind']),
            $this->shop->people['Mara'],
            $change['note'],
        ));
    }

    /** @param array<string, mixed> $recipe */
    private function printed(int $i, array $recipe, float $day): void
    {
        $side = $this->shop->sides[$recipe['side']];
        $begun = $this->ago($day);
        [$washIn, $coatIn] = $this->careIn[$i] ?? [$this->between(...self::WASH), 0];
        if (null !== $recipe['agent'] && $coatIn <= 0) {
            $this->care($side, 'wash', $begun->modify('-2 hours'), null);
            $this->care($side, 'coat', $begun->modify('-1 hour'), $recipe['agent']);
            $coatIn = $washIn = $this->between(...self::WASH);
        } elseif ($washIn <= 0) {
            $this->care($side, 'wash', $begun->modify('-1 hour'), null);
            $washIn = $this->between(...self::WASH);
        } elseif (null === $recipe['agent'] && $this->chance() < 0.25) {
            $this->care($side, 'wipe', $begun->modify('-20 minutes'), null);
        }
        $this->careIn[$i] = [$washIn - 1, $coatIn - 1];
        $this->entities->getConnection()->insert('job', $this->made($recipe, $side, $begun, $day));
    }

    /**
     * @param array<string, mixed> $recipe
     *
     * @return array<string, mixed> a row
     */
    private function made(array $recipe, PlateSide $side, \DateTimeImmutable $begun, float $day): array
    {
        $parts = $this->between(...$recipe['parts']);
        $minutes = $this->between(...$recipe['minutes']);
        $sheet = $this->sheet($side, $begun);
        $on = $this->onSheet[$sheet->id->toRfc4122()] = ($this->onSheet[$sheet->id->toRfc4122()] ?? 0) + 1;
        $said = $this->said($recipe, $parts, $minutes);
        $answer = $this->outcome($recipe, $on, $day, $minutes, $said['said']);
        $ended = min($begun->modify(\sprintf('+%d minutes', $answer->minutes + $this->between(5, 200))), $this->now);

        return [
            ...$this->row($recipe, $side, $sheet, $begun),
            'version' => 2, 'status' => 'answered', 'title' => $recipe['titles'][$this->between(0, \count($recipe['titles']) - 1)], 'parts' => $parts,
            'planned_minutes' => $minutes, 'said_chance' => $said['said'], 'practice_chance' => $said['practice'], 'basis' => $said['basis'],
            'uncorrected_chance' => $said['uncorrected'], 'record_class' => $said['class'],
            'warm_wh' => $said['heat']?->warmWh, 'draws_w' => $said['heat']?->drawsW, 'energy_wh' => $said['heat']?->energyWh((float) $answer->minutes),
            'outcome' => $answer->outcome->value, 'effort' => $answer->effort?->value, 'damaged' => (int) $answer->damaged, 'minutes' => $answer->minutes,
            'came_true' => (int) $answer->cameTrue(), 'answered_at' => UtcType::text($ended), 'answered_by' => $this->chance() < 0.7 ? 'Mara' : 'Tilo',
            'spot' => 1 === $parts && $this->chance() < 0.6 ? PlateSpot::cases()[$this->between(0, 4)]->value : null,
        ];
    }

    /** @param array<string, mixed> $recipe */
    private function outcome(array $recipe, int $onSheet, float $day, int $minutes, ?float $said): JobAnswer
    {
        $drifting = isset($recipe['drifts']) && $day < $recipe['drifts']['days'];
        $hold = $drifting ? $recipe['drifts']['to'] : $recipe['hold'];
        // The truth of the demo lies between what the recipe tells and what was said, as full plates and long prints are harder.
        $odds = log($hold / (1 - $hold)) - self::WEAR * max(0, $onSheet - ($recipe['wearsFrom'] ?? \PHP_INT_MAX));
        $odds = null === $said || $drifting ? $odds : ($odds + max(-2.0, log($said / (1 - $said)))) / 2;
        if ($this->chance() >= 1 / (1 + exp(-$odds))) {
            $outcome = $this->chance() < 0.6 ? Outcome::Lifted : Outcome::CameOff;

            return new JobAnswer($outcome, $outcome->pullPossible() ? Effort::Finger : null, false, round($minutes * (0.2 + 0.8 * $this->chance())));
        }
        $clean = $this->chance() < $recipe['letGo'];
        $effort = $clean ? [Effort::Loose, Effort::Finger, Effort::Finger, Effort::Flex][$this->between(0, 3)] : Effort::Scraper;

        return new JobAnswer(Outcome::Held, $effort, !$clean && $this->chance() < 0.25, (float) $minutes);
    }

    /** @param array<string, mixed> $job */
    private function open(array $job): void
    {
        $side = $this->shop->sides[$job['side']];
        $said = $this->said([...$job, 'agent' => null, 'lots' => [[$job['lot'], 999]]], $job['parts'], $job['minutes']);
        $begun = $this->now->modify("-{$job['begunMinutesAgo']} minutes");
        $this->entities->getConnection()->insert('job', [
            ...$this->row([...$job, 'agent' => null, 'lots' => [[$job['lot'], 999]]], $side, $side->current(), $begun),
            'version' => 1, 'status' => 'open', 'title' => $job['title'], 'parts' => $job['parts'], 'planned_minutes' => $job['minutes'],
            'said_chance' => $said['said'], 'practice_chance' => $said['practice'], 'basis' => $said['basis'],
            'uncorrected_chance' => $said['uncorrected'], 'record_class' => $said['class'], 'answered_by' => '',
            'warm_wh' => $said['heat']?->warmWh, 'draws_w' => $said['heat']?->drawsW,
        ]);
    }

    /**
     * @param array<string, mixed> $recipe
     *
     * @return array<string, mixed> what an open print and an answered one have in common
     */
    private function row(array $recipe, PlateSide $side, Fitting $sheet, \DateTimeImmutable $begun): array
    {
        $printer = $this->shop->printers[$recipe['printer']];
        $lots = array_filter($recipe['lots'], fn (array $lot): bool => $begun >= $this->ago((float) $lot[1]));
        [$lot] = [] === $lots ? $recipe['lots'][0] : end($lots);

        return [
            'id' => Uuid::fromString(UuidV7::generate($begun))->toBinary(), 'created_at' => UtcType::text($begun), 'utc_offset_minutes' => 0,
            'printer_id' => $printer->id->toBinary(), 'side_id' => $side->id->toBinary(), 'fitting_id' => $sheet->id->toBinary(),
            'material_id' => $recipe['material'],
            'agent_id' => null === $recipe['agent'] ? null : $this->shop->agents[$recipe['agent']]->id->toBinary(),
            'lot_id' => $this->lots[$lot]->id->toBinary(),
            'bed_first_c' => $recipe['bed'][0] ?? null, 'bed_other_c' => $recipe['bed'][1] ?? null, 'exposure_s' => $recipe['exposureS'] ?? null,
            'room_c' => round(self::ROOM_C[0] + (self::ROOM_C[1] - self::ROOM_C[0]) * $this->chance(), 1),
            'has_enclosure' => (int) $printer->enclosed,
            'chamber_c' => $printer->chamberC, 'assumed' => 0, 'note' => '', 'begun_by' => 'Mara',
        ];
    }

    /**
     * What Choose says of it with what is known today; asked once for each recipe and number of parts.
     *
     * @param array<string, mixed> $recipe
     *
     * @return array{said: float|null, uncorrected: float|null, class: int|null, practice: float|null, basis: string, heat: HeatUse|null}
     */
    private function said(array $recipe, int $parts, int $minutes): array
    {
        $side = $this->shop->sides[$recipe['side']]->id->toRfc4122();
        $long = $minutes > self::LONG_MINUTES;
        $key = "$side/{$recipe['material']}/$parts/$long/".($recipe['bed'][0] ?? '');

        return $this->said[$key] ??= $this->asked($recipe, $side, $parts, $long ? 240.0 : 90.0);
    }

    /**
     * @param array<string, mixed> $recipe
     *
     * @return array{said: float|null, uncorrected: float|null, class: int|null, practice: float|null, basis: string, heat: HeatUse|null}
     */
    private function asked(array $recipe, string $side, int $parts, float $minutes): array
    {
        $question = $this->questions->of([
            'materialId' => $recipe['material'],
            'printerId' => $this->shop->printers[$recipe['printer']]->id->toRfc4122(),
            'lotId' => null,
            'roomC' => 20,
            'partCount' => $parts,
            'jobMinutes' => $minutes,
            'bedC' => $recipe['bed'][0] ?? null,
        ]);
        $agent = null === $recipe['agent'] ? null : $this->shop->agents[$recipe['agent']]->kindId;
        $ranking = $question->ranking(null);
        foreach ($ranking->candidates as $candidate) {
            if ($candidate instanceof Candidate && $candidate->proposal->side->id === $side && $candidate->proposal->agent?->id === $agent) {
                return [
                    'said' => $candidate->chance,
                    'uncorrected' => $candidate->uncorrected,
                    'class' => $candidate->recordClass(),
                    'practice' => $candidate->practiceChance(),
                    'basis' => $candidate->basis(),
                    'heat' => $ranking->heatUse($candidate),
                ];
            }
        }

        return ['said' => null, 'uncorrected' => null, 'class' => null, 'practice' => null, 'basis' => '', 'heat' => null];
    }

    private function care(PlateSide $side, string $kind, \DateTimeImmutable $at, ?string $agent): void
    {
        $stock = null === $agent ? null : $this->shop->agents[$agent];
        $this->entities->persist(new CareEvent(Uuid::v7(), $at, $side, $kind, $stock, $this->shop->people['Mara'], '', 'wipe' === $kind ? 'alcohol' : null));
    }

    private function sheet(PlateSide $side, \DateTimeImmutable $at): Fitting
    {
        foreach (array_reverse($this->sheets[$side->label()] ?? []) as [$sheet, $laid]) {
            if ($at >= $laid) {
                return $sheet;
            }
        }

        return $side->current();
    }

    private function ago(float $days): \DateTimeImmutable
    {
        return $this->now->modify(\sprintf('-%d seconds', (int) round($days * 86_400)));
    }

    private function chance(): float
    {
        return $this->random->getInt(0, self::FINE) / (self::FINE + 1);
    }

    private function between(int|float $low, int|float $high): int
    {
        return $this->random->getInt((int) $low, (int) $high);
    }
}
