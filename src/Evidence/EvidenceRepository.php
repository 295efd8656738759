<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Platform\Database\StoredId;
use App\Test\RunRepository;
use App\Test\Setup;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Evidence\Conditions;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Test\LookOrder;
use Sitzplatz\Test\PrintLength;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\PullTemperature;
use Symfony\Component\Uid\Uuid;

/** Fetches what may speak for a setup; whether it does, the core says. */
final readonly class EvidenceRepository
{
    public function __construct(private Connection $database, private RunRepository $runs, private EntityManagerInterface $entities)
    {
    }

    /** @return list<EvidenceRun> runs that speak for a setup, void ones among them, in the order in which they were begun */
    public function runs(Setup $setup, bool $anyLot, bool $anyPlate): array
    {
        $wanted = self::conditions($setup);
        $speak = [];
        foreach ($this->alike($setup) as $id => $conditions) {
            if ($conditions->speakFor($wanted, $anyLot, $anyPlate)) {
                $speak[] = $id;
            }
        }
        if ([] === $speak) {
            return [];
        }
        $where = "r.status IN ('done', 'void') AND r.setup_id IN (".implode(', ', array_fill(0, \count($speak), '?')).')';
        $looked = [];
        $coldUpToC = $this->runs->coldUpToC($setup);
        $bySetup = [];
        foreach ($this->runs->begun('r.setup_id IN ('.implode(', ', array_fill(0, \count($speak), '?')).')', $speak) as $row) {
            $bySetup[$row['setup']][] = $row['run'];
        }
        $plans = $this->plans(array_keys($bySetup));
        foreach ($bySetup as $setupId => $begun) {
            $looked += array_flip(LookOrder::of($begun, $plans[$setupId]->byVisit));
        }
        $readings = $simulated = [];
        foreach ($this->runs->standingRows($where, $speak) as $row) {
            $readings[$row['run']][] = $row['reading'];
            $simulated[$row['run']] = ($simulated[$row['run']] ?? 0) + ($row['simulated'] ? 1 : 0);
        }
        $found = [];
        foreach ($this->database->iterateAssociative(
            "SELECT r.id, r.setup_id, r.status, r.room_c, r.print_minutes, r.voided_alone, r.started_at, r.finished_at, r.pull, r.visit, s.lot_id, ps.plate_id,
                    r.has_enclosure, JSON_VALUE(c.durations, '$.printMinutes') AS planned,
                    (SELECT COUNT(*) FROM part p WHERE p.run_id = r.id) AS parts
             FROM run r JOIN comparison c ON c.id = r.comparison_id JOIN setup s ON s.id = r.setup_id JOIN plate_side ps ON ps.id = s.side_id
             WHERE $where ORDER BY r.started_at, r.position, r.id",
            $speak,
        ) as $row) {
            $id = StoredId::text($row['id']);
            // What was begun after one that goes on is not looked at yet.
            if ('done' === $row['status'] && !isset($looked[$id])) {
                continue;
            }
            $length = null === $row['print_minutes'] ? null : (float) $row['print_minutes'];
            // What the piece cannot take in, nobody has printed.
            $length = null !== $length && PrintLength::told($length, is_numeric($row['planned']) ? (float) $row['planned'] : null) ? $length : null;
            $found[] = new EvidenceRun(
                $id,
                'void' === $row['status'],
                PullTemperature::sorted($readings[$id] ?? [], $coldUpToC),
                bin2hex((string) $row['lot_id']),
                StoredId::text($row['plate_id']),
                (float) $row['room_c'],
                $length,
                (int) $row['parts'],
                (bool) $row['has_enclosure'],
                (bool) $row['voided_alone'],
                self::seconds(new \DateTimeImmutable((string) $row['finished_at'], new \DateTimeZone('UTC'))),
                self::seconds(new \DateTimeImmutable((string) ($row['started_at'] ?? $row['finished_at']), new \DateTimeZone('UTC'))),
                StoredId::text($row['setup_id']),
                PullKind::from((string) $row['pull']),
                $plans[StoredId::text($row['setup_id'])]->byVisit ? StoredId::text($row['setup_id']).'/'.$row['visit'] : null,
                $simulated[$id] ?? 0,
            );
        }

        return $found;
    }

    /**
     * @param list<string> $setupIds
     *
     * @return array<string, ProofPlan> of their comparisons, by the id of the setup
     */
    public function plans(array $setupIds): array
    {
        if ([] === $setupIds) {
            return [];
        }
        /** @var list<Setup> $setups */
        $setups = $this->entities->createQuery('SELECT s, c FROM '.Setup::class.' s JOIN s.comparison c WHERE s.id IN (:ids)')
            ->setParameter('ids', array_map(static fn (string $id): string => Uuid::fromString($id)->toBinary(), $setupIds), ArrayParameterType::BINARY)
            ->getResult();
        $plans = [];
        foreach ($setups as $setup) {
            $plans[$setup->id->toRfc4122()] = $setup->comparison->plan();
        }

        return $plans;
    }

    public static function conditions(Setup $setup): Conditions
    {
        $comparison = $setup->comparison;

        return new Conditions(
            $setup->materialId,
            $setup->lot->id->toRfc4122(),
            $comparison->printer->id->toRfc4122(),
            $setup->fitting->id->toRfc4122(),
            $setup->fitting->surfaceId,
            $setup->agent?->kindId,
            $setup->bedFirstC,
            $setup->bedOtherC,
            $comparison->nozzleMm,
            $setup->nozzleFirstC,
            $setup->gapMm,
            $comparison->feeler,
            $setup->exposureS,
            $setup->speedMmS,
            $setup->brim,
            $comparison->alsoMaterials,
        );
    }

    public static function seconds(\DateTimeImmutable $at): float
    {
        return (float) $at->format('U.u');
    }

    /** @return array<string, Conditions> by the binary id of the setup, with the same material on the same printer */
    private function alike(Setup $setup): array
    {
        $comparison = $setup->comparison;
        $number = static fn (mixed $value): ?float => is_numeric($value) ? (float) $value : null;
        $found = [];
        foreach ($this->database->iterateAssociative(
            'SELECT s.id, s.lot_id, s.fitting_id, f.surface_id, a.kind_id, s.bed_first_c, s.bed_other_c, c.nozzle_mm, s.nozzle_first_c, s.gap_mm, c.feeler,
                s.exposure_s, s.speed_mm_s, s.brim, c.also_materials
             FROM comparison c JOIN setup s ON s.comparison_id = c.id JOIN fitting f ON f.id = s.fitting_id LEFT JOIN agent_stock a ON a.id = s.agent_id
             WHERE s.material_id = ? AND c.printer_id = ? AND s.taken_hot = 0',
            [$setup->materialId, $comparison->printer->id->toBinary()],
        ) as $row) {
            $found[(string) $row['id']] = new Conditions(
                $setup->materialId,
                StoredId::text($row['lot_id']),
                $comparison->printer->id->toRfc4122(),
                StoredId::text($row['fitting_id']),
                (string) $row['surface_id'],
                null === $row['kind_id'] ? null : (string) $row['kind_id'],
                $number($row['bed_first_c']),
                $number($row['bed_other_c']),
                (float) $row['nozzle_mm'],
                $number($row['nozzle_first_c']),
                $number($row['gap_mm']),
                (string) $row['feeler'],
                $number($row['exposure_s']),
                $number($row['speed_mm_s']),
                (string) $row['brim'],
                (string) $row['also_materials'],
            );
        }

        return $found;
    }
}
