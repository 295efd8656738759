<?php

declare(strict_types=1);

namespace App\Keep;

use App\Evidence\EvidenceRepository;
use App\Platform\Database\StoredId;
use App\Test\Setup;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Keep\PullWatch;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Measure;
use Symfony\Component\Uid\Uuid;

/** What the test runs say that a profile is watched by: how easily parts came off in its evidence, and what pulls have shown since. */
final readonly class RunsSince
{
    /** In which two test pieces are the same, as forces go, mm. */
    private const PIECE = ['alongPullMm', 'acrossPullMm', 'pullHeightMm'];
    private const SAME_MM = 0.05;

    public function __construct(private EntityManagerInterface $entities, private EvidenceRepository $evidence)
    {
    }

    /** @return list<Effort> of the runs that it was accepted for; none: they were not made here */
    public function efforts(Profile $profile): array
    {
        $efforts = $this->entities->getConnection()->fetchFirstColumn(
            'SELECT effort FROM run WHERE id IN (?) AND effort IS NOT NULL',
            [array_map(StoredId::bytes(...), $profile->document['evidence']['runIds'] ?? [])],
            [ArrayParameterType::BINARY],
        );

        return array_values(array_map(static fn (mixed $effort): Effort => Effort::from(is_numeric($effort) ? (int) $effort : 0), $efforts));
    }

    /** @return list<PullWatch> of runs with the same test piece; none: nothing was pulled exactly, before or since */
    public function pulls(Profile $profile): array
    {
        $evidence = $profile->document['evidence'];
        $id = $profile->imported ? null : $profile->document['origin']['setupId'] ?? null;
        $setup = \is_string($id) ? $this->entities->find(Setup::class, Uuid::fromString($id)) : null;
        $watched = array_filter(
            ['hotPull' => Measure::PullHot, 'coldPull' => Measure::PullCold],
            static fn (string $kind): bool => ($evidence[$kind]['n'] ?? 0) > 1 && 0 === $evidence[$kind]['nAtLeast'],
            \ARRAY_FILTER_USE_KEY,
        );
        if (null === $setup || [] === $watched) {
            return [];
        }
        $until = EvidenceRepository::seconds($profile->evidenceUntil ?? $profile->createdAt);
        $runs = array_filter(
            $this->evidence->runs($setup, true === $profile->document['scope']['anyLot'], true === $profile->document['scope']['anyPlate']),
            static fn (EvidenceRun $run): bool => !$run->void && $run->endedAt > $until,
        );
        $like = $this->onPiece(array_column($runs, 'id'), $evidence['testPiece'] ?? []);
        $pulls = [];
        foreach ($watched as $kind => $measure) {
            $since = [];
            foreach ($runs as $run) {
                foreach (isset($like[$run->id]) ? $run->readings : [] as $reading) {
                    if ($measure === $reading->measure && !$reading->atLeast) {
                        $since[] = ['n' => $reading->value, 'at' => gmdate('Y-m-d', (int) $run->endedAt)];
                    }
                }
            }
            $was = $evidence[$kind];
            if ([] !== $since) {
                $pulls[] = new PullWatch(Measure::PullHot === $measure, (int) $was['n'], (float) $was['meanN'], (float) $was['sdN'], $since);
            }
        }

        return $pulls;
    }

    /**
     * @param list<string>         $runIds
     * @param array<string, mixed> $piece
     *
     * @return array<string, true> those that printed such a piece
     */
    private function onPiece(array $runIds, array $piece): array
    {
        $on = [];
        foreach ([] === $runIds ? [] : $this->entities->getConnection()->iterateNumeric(
            "SELECT r.id, JSON_EXTRACT(c.constants, '$.piece') FROM run r JOIN comparison c ON c.id = r.comparison_id WHERE r.id IN (?)",
            [array_map(StoredId::bytes(...), $runIds)],
            [ArrayParameterType::BINARY],
        ) as [$id, $json]) {
            /** @var array<string, mixed> $printed */
            $printed = json_decode((string) $json, true, 8, \JSON_THROW_ON_ERROR);
            $differs = array_filter(
                self::PIECE,
                static fn (string $in): bool => abs((float) ($printed[$in] ?? 0) - (float) ($piece[$in] ?? 0)) > self::SAME_MM,
            );
            if ([] === $differs) {
                $on[StoredId::text($id)] = true;
            }
        }

        return $on;
    }
}
