<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\UtcType;
use App\Shelf\Number;
use App\Test\AlsoPrinted;
use Doctrine\DBAL\Connection;
use Sitzplatz\Keep\Drift;
use Sitzplatz\Keep\SeenSince;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Test\Outcome;

/** The prints for use that were made as a profile has it, on its printer, since its evidence ended. */
final readonly class PrintsSince
{
    /** The last ones. */
    private const MOST = 2_000;

    public function __construct(private Connection $database, private RunsSince $runs)
    {
    }

    /**
     * @return array{SeenSince|null, Drift|null} what was seen, and the watch over prints and later runs in their order; null:
     *                                           there are none
     */
    public function of(Profile $profile): array
    {
        $jobs = $this->jobs($profile);
        $pulls = $this->runs->pulls($profile);
        /** @var array{reliability: int|float, confidence: int|float} $plan */
        $plan = $profile->document['evidence']['plan'];

        return [
            SeenSince::of($jobs, Profile::scopeOf($profile->document, null, null, null)),
            [] === $jobs && [] === $pulls ? null : Drift::of(
                array_reverse($jobs),
                (float) $plan['reliability'],
                Drift::usualEffort($this->runs->efforts($profile), (float) $plan['reliability'], (float) $plan['confidence']),
                $pulls,
            ),
        ];
    }

    /** @return list<array{answer: JobAnswer, parts: int, roomC: ?float, at: string}> the newest first */
    private function jobs(Profile $profile): array
    {
        $setting = $profile->document['setting'];
        if (null === $profile->printer || null === $profile->fitting) {
            return [];
        }
        $jobs = [];
        foreach ($this->database->iterateAssociative(
            "SELECT j.answered_at, j.outcome, j.effort, j.damaged, j.minutes, j.parts, j.room_c FROM job j LEFT JOIN agent_stock a ON a.id = j.agent_id
             WHERE j.fitting_id = ? AND j.status = 'answered' AND j.answered_at > ? AND j.printer_id = ? AND j.material_id = ?
                AND a.kind_id <=> ? AND j.bed_first_c <=> ? AND j.bed_other_c <=> ? AND j.exposure_s <=> ?
                AND j.also_materials = ? AND (? IS NULL OR j.lot_id = ?) ORDER BY j.answered_at DESC, j.id DESC LIMIT ".self::MOST,
            [
                $profile->fitting->id->toBinary(),
                UtcType::text($profile->evidenceUntil ?? $profile->createdAt),
                $profile->printer->id->toBinary(),
                $profile->materialId,
                $setting['agentId'] ?? null,
                Number::orNull($setting['bedFirstC'] ?? null),
                Number::orNull($setting['bedOtherC'] ?? null),
                Number::orNull($setting['exposureS'] ?? null),
                AlsoPrinted::word($profile->scope()->alsoMaterialIds),
                $profile->lot?->id->toBinary(),
                $profile->lot?->id->toBinary(),
            ],
        ) as $row) {
            $jobs[] = [
                'answer' => new JobAnswer(
                    Outcome::from((string) $row['outcome']),
                    null === $row['effort'] ? null : Effort::from((int) $row['effort']),
                    (bool) $row['damaged'],
                    null === $row['minutes'] ? null : (float) $row['minutes'],
                ),
                'parts' => (int) $row['parts'],
                'roomC' => Number::orNull($row['room_c']),
                'at' => substr((string) $row['answered_at'], 0, 10),
            ];
        }

        return $jobs;
    }
}
