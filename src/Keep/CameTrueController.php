<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\StoredId;
use App\Platform\Http\Answer;
use Doctrine\DBAL\Connection;
use Sitzplatz\Keep\CameTrue;
use Sitzplatz\Keep\ToldJob;
use Sitzplatz\Keep\ToldScore;
use Sitzplatz\Statistics\ForecastBin;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Routing\Attribute\Route;

/** What Choose said when a print began, against how it came out. */
final readonly class CameTrueController
{
    /** The last ones: what was said years ago rested on less, and on other plates. */
    private const MOST = 5_000;

    public function __construct(private Connection $database)
    {
    }

    #[Route('/api/jobs/came-true', name: 'getCameTrue', methods: ['GET'], priority: 1)]
    public function get(): Answer
    {
        $told = CameTrue::of($this->told());

        return new Answer([
            'open' => (int) $this->database->fetchOne("SELECT COUNT(*) FROM job WHERE status = 'open'"),
            'sentence' => $told->sentence(),
            'all' => null === $told->all ? null : self::score($told->all),
            'byBasis' => array_values(array_map(static fn (string $basis): array => [
                'basis' => $basis,
                'words' => Sentence::of('came_true.basis.'.$basis),
                'score' => self::score($told->byBasis[$basis]),
            ], array_values(array_intersect(CameTrue::BASES, array_keys($told->byBasis))))),
            'byMaterial' => array_map(
                static fn (string $id, ToldScore $score): array => ['materialId' => $id, 'score' => self::score($score)],
                array_keys($told->byMaterial),
                $told->byMaterial,
            ),
            'odd' => array_map(static fn (array $odd): array => [
                'materialId' => $odd['job']->materialId,
                'surfaceId' => $odd['job']->surfaceId,
                'agentKindId' => $odd['job']->agentKindId,
                'n' => $odd['score']->score->n,
                'happened' => $odd['score']->score->happened,
                'said' => $odd['score']->said,
                'sentence' => $odd['sentence'],
            ], $told->odd),
        ]);
    }

    /** @return list<ToldJob> */
    private function told(): array
    {
        return array_map(
            static fn (array $row): ToldJob => new ToldJob(
                (string) $row['material_id'],
                (string) $row['surface_id'],
                StoredId::text($row['side_id']),
                \is_string($row['kind_id']) ? $row['kind_id'] : null,
                (string) $row['basis'],
                (float) $row['said_chance'],
                (float) $row['practice_chance'],
                (bool) $row['came_true'],
            ),
            array_reverse($this->database->fetchAllAssociative(
                // First the last ones, then what they were made with: joined the other way round all would be read.
                "SELECT j.material_id, f.surface_id, j.side_id, a.kind_id, j.basis, j.said_chance, j.practice_chance, j.came_true
                 FROM (SELECT * FROM job WHERE status = 'answered' AND said_chance IS NOT NULL ORDER BY created_at DESC LIMIT ".self::MOST.') j
                 JOIN fitting f ON f.id = j.fitting_id LEFT JOIN agent_stock a ON a.id = j.agent_id
                 ORDER BY j.created_at DESC',
            )),
        );
    }

    /** @return array<string, mixed> */
    private static function score(ToldScore $told): array
    {
        return [
            'n' => $told->score->n,
            'happened' => $told->score->happened,
            'share' => $told->score->share(),
            'said' => $told->said,
            'brier' => $told->score->brier,
            'baseRateBrier' => $told->score->baseRateBrier,
            'log' => $told->score->log,
            'practiceBrier' => $told->practice->brier,
            'practiceLog' => $told->practice->log,
            'runningBrier' => $told->running->brier,
            'runningLog' => $told->running->log,
            'bins' => array_map(static fn (ForecastBin $bin): array => [
                'low' => $bin->low,
                'high' => $bin->high,
                'n' => $bin->n,
                'happened' => $bin->happened,
                'share' => $bin->share(),
                'said' => $bin->said,
                'ci95' => $bin->interval->toArray(),
            ], $told->score->bins),
        ];
    }
}
