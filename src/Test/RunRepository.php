<?php

declare(strict_types=1);

namespace App\Test;

use App\Catalogue\ShopCatalogue;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Test\BegunRun;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\LookOrder;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\PullTemperature;
use Sitzplatz\Test\Reading;

/** Runs and their readings. */
final readonly class RunRepository
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $database,
        private Measures $measures,
        private ShopCatalogue $shop,
        private bool $demo,
    ) {
    }

    /** @return list<Run> in planned order */
    public function of(Comparison $comparison): array
    {
        /* @var list<Run> */
        return $this->entities->createQuery('SELECT r, s, p FROM '.Run::class.' r JOIN r.setup s JOIN r.parts p WHERE r.comparison = :c ORDER BY '
            // What one coat takes is printed before the next is put on.
            .($comparison->coatStays() ? 'r.visit, r.position' : 'r.position'))
            ->setParameter('c', $comparison->id, 'uuid')->getResult();
    }

    /** @return list<StoredReading> all readings of a run, amended ones too, oldest first */
    public function readings(Run $run): array
    {
        /* @var list<StoredReading> */
        return $this->entities->createQuery('SELECT m FROM '.StoredReading::class.' m JOIN m.part p WHERE p.run = :r ORDER BY m.createdAt, m.id')
            ->setParameter('r', $run->id, 'uuid')->getResult();
    }

    /** The last place in the order of runs that is taken; 0 if none is. */
    public function lastPosition(Comparison $comparison): int
    {
        $last = $this->database->fetchOne('SELECT MAX(position) FROM run WHERE comparison_id = ?', [$comparison->id->toBinary()]);

        return is_numeric($last) ? (int) $last : 0;
    }

    /** The highest number of a visit that is planned; 0 if none is. */
    public function lastVisit(Comparison $comparison): int
    {
        $last = $this->database->fetchOne('SELECT MAX(visit) FROM run WHERE comparison_id = ?', [$comparison->id->toBinary()]);

        return is_numeric($last) ? (int) $last : 0;
    }

    /** The plate of the last run that was made; null: none was. */
    public function lastPlate(Comparison $comparison): ?string
    {
        $id = $this->database->fetchOne(
            'SELECT LOWER(HEX(ps.plate_id)) FROM run r JOIN setup s ON s.id = r.setup_id JOIN plate_side ps ON ps.id = s.side_id
             WHERE r.comparison_id = ? AND r.started_at IS NOT NULL ORDER BY r.started_at DESC, r.position DESC LIMIT 1',
            [$comparison->id->toBinary()],
        );

        return \is_string($id) ? self::uuid($id) : null;
    }

    public function countDone(Comparison $comparison): int
    {
        return $this->entities->getRepository(Run::class)->count(['comparison' => $comparison, 'status' => RunStatus::Done]);
    }

    /**
     * The standing readings of the runs that may be looked at, setup by setup in the order of the looks, and which runs they are.
     *
     * Records stand in the order of the setups; of each it is said which runs it has. Beside them, how many are done and wait for one
     * that was begun before, how many cold pulls were none, and how many readings are of a simulated device.
     *
     * @return array{records: list<SetupRecord>, runIds: list<string>, runsOf: list<list<string>>, waiting: int, warm: int, simulated: int}
     */
    public function records(Comparison $comparison): array
    {
        $readings = [];
        $simulated = 0;
        foreach ($this->standingRows("r.comparison_id = ? AND r.status = 'done'", [$comparison->id->toBinary()]) as $row) {
            $readings[$row['run']][] = $row['reading'];
            $simulated += $row['simulated'] ? 1 : 0;
        }
        $begun = $visits = $pulls = [];
        foreach ($this->begun('r.comparison_id = ?', [$comparison->id->toBinary()]) as ['setup' => $setup, 'run' => $run, 'pull' => $pull]) {
            $begun[$setup][] = $run;
            $visits[$run->id] = 'visit/'.$run->visit;
            $pulls[$run->id] = $pull;
        }
        $byVisit = $comparison->plan()->byVisit;
        $records = $runsOf = $waiting = [];
        $warm = 0;
        foreach ($comparison->setups as $setup) {
            $own = $begun[$setup->id->toRfc4122()] ?? [];
            $looked = LookOrder::of($own, $byVisit);
            $coldUpToC = $this->coldUpToC($setup);
            $ofRuns = array_map(static fn (string $id): string => $visits[$id], $looked);
            $records[] = new SetupRecord(
                $setup->label,
                array_map(static fn (string $id): array => PullTemperature::sorted($readings[$id] ?? [], $coldUpToC), $looked),
                $byVisit ? $ofRuns : null,
                $ofRuns,
                $setup->takenHot,
                array_map(static fn (string $id): PullKind => $pulls[$id], $looked),
            );
            $runsOf[] = $looked;
            $warm += \count(array_filter($looked, static fn (string $id): bool => PullTemperature::contradicts($readings[$id] ?? [], $coldUpToC)));
            $waiting[] = \count(array_filter($own, static fn (BegunRun $run): bool => $run->over && !$run->void)) - \count($looked);
        }

        return [
            'records' => $records,
            'runIds' => array_merge(...$runsOf),
            'runsOf' => $runsOf,
            'waiting' => array_sum($waiting),
            'warm' => $warm,
            'simulated' => $simulated,
        ];
    }

    /** The temperature up to which a pull of a setup is a cold one, by what its pair is known for; null: nobody knows. */
    public function coldUpToC(Setup $setup): ?float
    {
        $catalogue = $this->shop->get();
        if (!isset($catalogue->materials[$setup->materialId])) {
            return null;
        }
        $agent = null === $setup->agent ? null : $catalogue->agent($setup->agent->kindId);

        return PullTemperature::coldUpToC(
            $catalogue->pairing($setup->materialId, $setup->fitting->surfaceId)?->releaseWithC($agent),
            $setup->bedOtherC ?? $setup->bedFirstC,
        );
    }

    /**
     * Runs as their places among the looks are told by, planned ones among them.
     *
     * @param string      $where      of a run r
     * @param list<mixed> $parameters
     *
     * @return iterable<array{setup: string, run: BegunRun, pull: PullKind}>
     */
    public function begun(string $where, array $parameters): iterable
    {
        foreach ($this->database->iterateAssociative(
            "SELECT LOWER(HEX(r.setup_id)) AS setup, LOWER(HEX(r.id)) AS id, r.status, r.visit, r.position, r.pull, r.started_at
             FROM run r WHERE $where ORDER BY r.position",
            $parameters,
        ) as $row) {
            $status = RunStatus::from((string) $row['status']);
            yield [
                'setup' => self::uuid((string) $row['setup']),
                'run' => new BegunRun(
                    self::uuid((string) $row['id']),
                    null === $row['started_at'] ? null : (float) (new \DateTimeImmutable((string) $row['started_at'], new \DateTimeZone('UTC')))->format('U.u'),
                    (int) $row['position'],
                    (string) $row['visit'],
                    \in_array($status, [RunStatus::Done, RunStatus::Void], true),
                    RunStatus::Void === $status,
                ),
                'pull' => PullKind::from((string) $row['pull']),
            ];
        }
    }

    /** @return array<string, int> of each run the number of its print on the coat of its visit, from 1; void ones wear it too */
    public function printsOnCoat(Comparison $comparison): array
    {
        $prints = [];
        foreach ($this->database->iterateAssociative(
            'SELECT LOWER(HEX(id)) AS id, ROW_NUMBER() OVER (PARTITION BY setup_id, visit ORDER BY position) AS print
             FROM run WHERE comparison_id = ?',
            [$comparison->id->toBinary()],
        ) as $row) {
            $prints[self::uuid((string) $row['id'])] = (int) $row['print'];
        }

        return $prints;
    }

    /** @return array{print: int, goesOn: bool} which print on the coat of its visit it is, from 1, and whether more follow */
    public function printOnCoat(Run $run): array
    {
        $row = $this->database->fetchAssociative(
            'SELECT SUM(position <= ?) AS print, SUM(position > ?) AS more FROM run WHERE comparison_id = ? AND setup_id = ? AND visit = ?',
            [$run->position, $run->position, $run->comparison->id->toBinary(), $run->setup->id->toBinary(), $run->visit],
        ) ?: [];

        return ['print' => (int) ($row['print'] ?? 1), 'goesOn' => (int) ($row['more'] ?? 0) > 0];
    }

    /** @return list<PlateMark> what was marked on the plate of a run and stands, oldest first */
    public function marksOf(Run $run): array
    {
        return $this->entities->getRepository(PlateMark::class)->findBy(['run' => $run, 'withdrawnAt' => null], ['createdAt' => 'ASC', 'id' => 'ASC']);
    }

    /** @return array{otherFile: int, roomLowC: float, roomHighC: float} how the runs that are done were made, beside their setup */
    public function madeUnder(Comparison $comparison): array
    {
        $file = $comparison->constants['file'] ?? null;
        $row = $this->database->fetchAssociative(
            "SELECT SUM(file_digest <> ?) AS other, MIN(room_c) AS low, MAX(room_c) AS high FROM run WHERE comparison_id = ? AND status = 'done'",
            [\is_array($file) ? $file['digest'] ?? null : null, $comparison->id->toBinary()],
        ) ?: [];

        return [
            'otherFile' => (int) ($row['other'] ?? 0),
            'roomLowC' => (float) ($row['low'] ?? $comparison->roomC),
            'roomHighC' => (float) ($row['high'] ?? $comparison->roomC),
        ];
    }

    /** @return list<RunPhoto> those that stand, oldest first */
    public function photosOf(Run $run): array
    {
        return $this->entities->getRepository(RunPhoto::class)->findBy(['run' => $run, 'withdrawnAt' => null], ['createdAt' => 'ASC', 'id' => 'ASC']);
    }

    /** @return list<RunPhoto> those of all runs of a comparison that count, in the order of the runs */
    public function photos(Comparison $comparison): array
    {
        /* @var list<RunPhoto> */
        return $this->entities->createQuery(
            'SELECT f, r, s FROM '.RunPhoto::class." f JOIN f.run r JOIN r.setup s WHERE r.comparison = :c AND f.withdrawnAt IS NULL AND r.status <> 'void'
             ORDER BY r.position, f.createdAt, f.id",
        )->setParameter('c', $comparison->id, 'uuid')->getResult();
    }

    /** @return list<PlateMark> what was marked on the plates of a comparison and stands, oldest first */
    public function marks(Comparison $comparison): array
    {
        /* @var list<PlateMark> */
        return $this->entities->createQuery(
            'SELECT m, r FROM '.PlateMark::class.' m JOIN m.run r WHERE r.comparison = :c AND m.withdrawnAt IS NULL ORDER BY m.createdAt, m.id',
        )
            ->setParameter('c', $comparison->id, 'uuid')->getResult();
    }

    /**
     * @param string      $where      of a run r
     * @param list<mixed> $parameters
     *
     * @return iterable<array{setup: string, run: string, reading: Reading, simulated: bool}>
     */
    public function standingRows(string $where, array $parameters): iterable
    {
        $rows = $this->database->iterateAssociative(
            'SELECT LOWER(HEX(r.setup_id)) AS setup, LOWER(HEX(r.id)) AS run, m.measure, m.value, m.at_least, m.simulated,
                    COALESCE(g.resolution_n, JSON_VALUE(k.proof, \'$.scaleStepN\')) AS step,
                    g.checked_with_n AS weighed, g.check_showed_n AS showed
             FROM run r JOIN comparison k ON k.id = r.comparison_id
             JOIN part p ON p.run_id = r.id JOIN standing st ON st.part_id = p.id JOIN reading m ON m.id = st.reading_id
             LEFT JOIN gauge g ON g.id = m.gauge_id
             WHERE '.$where.' ORDER BY r.position, m.created_at, m.id',
            $parameters,
        );
        foreach ($rows as $row) {
            // What a simulated device says proves nothing outside of the demo.
            if ($row['simulated'] && !$this->demo) {
                continue;
            }
            $reading = $this->reading($row);
            if (null === $reading) {
                continue;
            }
            yield [
                'setup' => self::uuid((string) $row['setup']),
                'run' => self::uuid((string) $row['run']),
                'reading' => $reading,
                'simulated' => (bool) $row['simulated'],
            ];
        }
    }

    /** @param array<string, mixed> $row */
    private function reading(array $row): ?Reading
    {
        $measure = $this->measures->of((string) $row['measure']);
        $force = $measure instanceof Measure && $measure->isForce();

        return null === $measure ? null : new Reading(
            $measure,
            (float) $row['value'],
            (bool) $row['at_least'],
            $force ? (float) $row['step'] : 0.0,
            $force && is_numeric($row['weighed']) && (float) $row['showed'] > 0 ? (float) $row['weighed'] / (float) $row['showed'] : null,
        );
    }

    private static function uuid(string $hex): string
    {
        return preg_replace('/^(.{8})(.{4})(.{4})(.{4})(.{12})$/', '$1-$2-$3-$4-$5', $hex) ?? $hex;
    }
}
