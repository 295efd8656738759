<?php

declare(strict_types=1);

namespace App\Demo;

use App\Care\CareEvent;
use App\Device\SimulatedPrinter;
use App\Evidence\ChangeEvent;
use App\Evidence\LearnedShop;
use App\Fix\FixCase;
use App\Keep\DriftWatch;
use App\Platform\Database\UtcType;
use App\Shelf\Fitting;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use App\Test\PrinterToken;
use App\Test\RunTally;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Evidence\ChangeKind;
use Sitzplatz\Heat\HeatUse;
use Sitzplatz\Test\PlateSpot;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\Uuid;
use Symfony\Component\Uid\UuidV7;

/** A year of prints for use with the care between them, from demo/year.yaml; how each came out is drawn from a hidden truth. */
final class DemoYear
{
    private const ROOM_C = [16.0, 24.0];

    private Draws $draws;
    private DemoShop $shop;
    private \DateTimeImmutable $now;
    /** @var array<string, Lot> */
    private array $lots = [];
    /** @var array<string, list<Fitting>> sheets of a side, the oldest first */
    private array $sheets = [];

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly DemoForetold $foretold,
        private readonly RunTally $tally,
        private readonly DriftWatch $drift,
        private readonly LearnedShop $learned,
        #[Autowire('%env(APP_SECRET)%')]
        private readonly string $appSecret,
    ) {
    }

    /** @param array<string, mixed> $data */
    public function load(array $data, DemoShop $shop, \DateTimeImmutable $now): void
    {
        $this->draws = new Draws($data['seed']);
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
        foreach ($data['changes'] as $change) {
            $this->change($change);
        }
        $this->entities->flush();
        $this->prints($data);
        $this->entities->flush();
        $this->tally->rebuild();
        $this->learned->learn();
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

    /** The sheet that lies there now was laid so many days ago; another one lay there before. */
    private function layedBefore(PlateSide $side, float $days, string $lot): void
    {
        $now = $side->current();
        $laid = $this->ago($days);
        $before = new Fitting(Uuid::v7(), $side->createdAt, $side, $now->surfaceId, $lot, null);
        $this->entities->persist($before);
        $this->entities->flush();
        $this->entities->getConnection()->update('fitting', ['created_at' => UtcType::text($laid)], ['id' => $now->id->toBinary()]);
        $this->sheets[$side->label()] = [$before, $now];
    }

    /** @param array<string, mixed> $year */
    private function prints(array $year): void
    {
        $prints = DemoTruth::draw($year, $year['seed']);
        $said = $this->foretold->through($year['recipes'], $prints, $this->shop);
        foreach ($prints as $i => $print) {
            $recipe = $year['recipes'][$print->recipe];
            $side = $this->shop->sides[$recipe['side']];
            $begun = $this->ago($print->day);
            foreach ($print->care as $kind) {
                $this->care($side, $kind, $begun->modify(['wash' => '-2 hours', 'coat' => '-1 hour', 'wipe' => '-20 minutes'][$kind]), $recipe['agent']);
            }
            $this->entities->getConnection()->insert('job', $this->made($print, $recipe, $side, $begun, $said->of($i)));
        }
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

    /**
     * @param array<string, mixed> $recipe
     *
     * @return array<string, mixed> a row
     */
    private function made(DemoPrint $print, array $recipe, PlateSide $side, \DateTimeImmutable $begun, ?float $said): array
    {
        $sheets = $this->sheets[$side->label()] ?? [$side->current()];
        [$candidate, $heat] = $this->foretold->of($print->recipe) ?? [null, null];
        $answer = $print->answer;
        $ended = min($begun->modify(\sprintf('+%d minutes', $answer->minutes + $this->draws->between(5, 200))), $this->now);

        return [
            ...$this->row($recipe, $side, $sheets[min($print->sheet, \count($sheets) - 1)], $print->lot, $begun),
            ...self::said($said, $candidate, $heat, null === $candidate ? null : DemoForetold::measures($print, $candidate)),
            'version' => 2, 'status' => 'answered',
            'title' => $recipe['titles'][$this->draws->between(0, \count($recipe['titles']) - 1)], 'parts' => $print->parts,
            'planned_minutes' => $print->minutes, 'energy_wh' => $heat?->energyWh((float) $answer->minutes),
            'outcome' => $answer->outcome->value, 'effort' => $answer->effort?->value, 'damaged' => (int) $answer->damaged, 'minutes' => $answer->minutes,
            'came_true' => (int) $answer->cameTrue(), 'answered_at' => UtcType::text($ended), 'answered_by' => $this->draws->chance() < 0.7 ? 'Mara' : 'Tilo',
            'spot' => 1 === $print->parts && $this->draws->chance() < 0.6 ? PlateSpot::cases()[$this->draws->between(0, 4)]->value : null,
        ];
    }

    /**
     * @param array<string, float>|null $measures
     *
     * @return array<string, mixed> what was said of it when it began
     */
    private static function said(?float $chance, ?Candidate $candidate, ?HeatUse $heat, ?array $measures): array
    {
        return [
            'said_chance' => $chance, 'practice_chance' => $candidate?->practiceChance(), 'basis' => $candidate?->basis() ?? '',
            'measures' => null === $measures ? null : json_encode([] === $measures ? new \stdClass() : $measures, \JSON_THROW_ON_ERROR),
            'warm_wh' => $heat?->warmWh, 'draws_w' => $heat?->drawsW,
        ];
    }

    /** @param array<string, mixed> $job */
    private function open(array $job): void
    {
        $side = $this->shop->sides[$job['side']];
        [$candidate, $heat] = $this->foretold->ask([...$job, 'agent' => null], $this->shop, $job['parts'], (float) $job['minutes']) ?? [null, null];
        $begun = $this->now->modify("-{$job['begunMinutesAgo']} minutes");
        $this->entities->getConnection()->insert('job', [
            ...$this->row([...$job, 'agent' => null], $side, $side->current(), $job['lot'], $begun),
            ...self::said($candidate?->chance, $candidate, $heat, $candidate?->moved->measures()),
            'version' => 1, 'status' => 'open', 'title' => $job['title'], 'parts' => $job['parts'], 'planned_minutes' => $job['minutes'],
            'answered_by' => '',
        ]);
    }

    /**
     * @param array<string, mixed> $recipe
     *
     * @return array<string, mixed> what an open print and an answered one have in common
     */
    private function row(array $recipe, PlateSide $side, Fitting $sheet, string $lot, \DateTimeImmutable $begun): array
    {
        $printer = $this->shop->printers[$recipe['printer']];

        return [
            'id' => Uuid::fromString(UuidV7::generate($begun))->toBinary(), 'created_at' => UtcType::text($begun), 'utc_offset_minutes' => 0,
            'printer_id' => $printer->id->toBinary(), 'side_id' => $side->id->toBinary(), 'fitting_id' => $sheet->id->toBinary(),
            'material_id' => $recipe['material'],
            'agent_id' => null === $recipe['agent'] ? null : $this->shop->agents[$recipe['agent']]->id->toBinary(),
            'lot_id' => $this->lots[$lot]->id->toBinary(),
            'bed_first_c' => $recipe['bed'][0] ?? null, 'bed_other_c' => $recipe['bed'][1] ?? null, 'exposure_s' => $recipe['exposureS'] ?? null,
            'room_c' => round(self::ROOM_C[0] + (self::ROOM_C[1] - self::ROOM_C[0]) * $this->draws->chance(), 1),
            'has_enclosure' => (int) $printer->enclosed,
            'chamber_c' => $printer->chamberC, 'assumed' => 0, 'note' => '', 'begun_by' => 'Mara',
        ];
    }

    private function care(PlateSide $side, string $kind, \DateTimeImmutable $at, ?string $agent): void
    {
        $stock = 'coat' !== $kind || null === $agent ? null : $this->shop->agents[$agent];
        $this->entities->persist(new CareEvent(Uuid::v7(), $at, $side, $kind, $stock, $this->shop->people['Mara'], '', 'wipe' === $kind ? 'alcohol' : null));
    }

    private function ago(float $days): \DateTimeImmutable
    {
        return $this->now->modify(\sprintf('-%d seconds', (int) round($days * 86_400)));
    }
}
