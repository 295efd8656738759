<?php

declare(strict_types=1);

namespace App\Test;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;

/** Runs and their readings. */
final readonly class RunRepository
{
    public function __construct(private EntityManagerInterface $entities, private Connection $database)
    {
    }

    /** @return list<Run> in planned order */
    public function of(Comparison $comparison): array
    {
        /* @var list<Run> */
        return $this->entities->createQuery('SELECT r, s, p FROM '.Run::class.' r JOIN r.setup s JOIN r.parts p WHERE r.comparison = :c ORDER BY r.position')
            ->setParameter('c', $comparison->id, 'uuid')->getResult();
    }

    /** @return list<StoredReading> all readings of a run, amended ones too, oldest first */
    public function readings(Run $run): array
    {
        /* @var list<StoredReading> */
        return $this->entities->createQuery('SELECT m FROM '.StoredReading::class.' m JOIN m.part p WHERE p.run = :r ORDER BY m.createdAt, m.id')
            ->setParameter('r', $run->id, 'uuid')->getResult();
    }

    /** @return list<StoredReading> the readings of a run that stand */
    public function standing(Run $run): array
    {
        $all = $this->readings($run);
        $amended = [];
        foreach ($all as $reading) {
            if (null !== $reading->amends) {
                $amended[$reading->amends->id->toRfc4122()] = true;
            }
        }

        return array_values(array_filter($all, static fn (StoredReading $reading): bool => !isset($amended[$reading->id->toRfc4122()])));
    }

    /**
     * The standing readings of the non-void runs, setup by setup.
     *
     * @return list<SetupRecord> in the order of the setups
     */
    public function records(Comparison $comparison): array
    {
        $runs = [];
        foreach ($this->standingRows('r.comparison_id = ?', [$comparison->id->toBinary()]) as $row) {
            $runs[$row['setup']][$row['run']][] = $row['reading'];
        }
        $records = [];
        foreach ($comparison->setups as $setup) {
            $records[] = new SetupRecord($setup->label, array_values($runs[$setup->id->toRfc4122()] ?? []));
        }

        return $records;
    }

    /**
     * @param list<mixed> $parameters
     *
     * @return iterable<array{setup: string, run: string, void: bool, reading: Reading}>
     */
    public function standingRows(string $where, array $parameters, bool $withVoid = false): iterable
    {
        $rows = $this->database->iterateAssociative(
            'SELECT LOWER(HEX(r.setup_id)) AS setup, LOWER(HEX(r.id)) AS run, r.status, m.measure, m.value, m.at_least
             FROM run r JOIN part p ON p.run_id = r.id JOIN reading m ON m.part_id = p.id
             LEFT JOIN reading later ON later.amends_id = m.id
             WHERE later.id IS NULL AND '.($withVoid ? '' : "r.status <> 'void' AND ").$where.' ORDER BY r.position, m.created_at, m.id',
            $parameters,
        );
        foreach ($rows as $row) {
            yield [
                'setup' => self::uuid((string) $row['setup']),
                'run' => self::uuid((string) $row['run']),
                'void' => 'void' === $row['status'],
                'reading' => new Reading(Measure::from((string) $row['measure']), (float) $row['value'], (bool) $row['at_least']),
            ];
        }
    }

    private static function uuid(string $hex): string
    {
        return preg_replace('/^(.{8})(.{4})(.{4})(.{4})(.{12})$/', '$1-$2-$3-$4-$5', $hex) ?? $hex;
    }
}
