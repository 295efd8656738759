<?php

declare(strict_types=1);

namespace App\Keep;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Sitzplatz\Keep\Job;
use Sitzplatz\Keep\ScopePoint;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\Sentence;

/** The signed profiles of a material held against a job: those in scope first. */
final readonly class ProfileMatch
{
    public function __construct(private EntityManagerInterface $entities, private ClockInterface $clock)
    {
    }

    /** @return list<array<string, mixed>> */
    public function forJob(string $materialId, Job $job): array
    {
        /** @var list<Profile> $profiles */
        $profiles = $this->entities->createQuery(
            'SELECT p, s, l, r FROM '.Profile::class.' p LEFT JOIN p.side s LEFT JOIN p.lot l LEFT JOIN p.printer r
             WHERE p.materialId = :m AND p.status IN (:signed) ORDER BY p.signedAt DESC',
        )->setParameter('m', $materialId)->setParameter('signed', [Profile::VALIDATED, Profile::TRIAL])->setMaxResults(50)->getResult();
        $found = [];
        foreach ($profiles as $profile) {
            $points = $profile->scope()->check($job);
            if (null !== $profile->reviewBy && $profile->reviewBy < $this->clock->now()) {
                $points[] = new ScopePoint('review', false, Sentence::of('scope.review', day: new Day($profile->reviewBy->format('Y-m-d'))));
            }
            $outside = array_filter($points, static fn (ScopePoint $point): bool => !$point->inScope);
            $found[] = [
                'id' => $profile->id->toRfc4122(),
                'title' => $profile->title,
                'status' => $profile->status,
                'revision' => $profile->revision,
                'setting' => $profile->document['setting'],
                'inScope' => [] === $outside,
                'points' => array_map(static fn (ScopePoint $point): array => ['point' => $point->point, 'inScope' => $point->inScope, 'sentence' => $point->sentence], $points),
                'order' => [\count($outside), Profile::TRIAL === $profile->status ? 1 : 0],
            ];
        }
        usort($found, static fn (array $a, array $b): int => $a['order'] <=> $b['order']);

        return array_map(static function (array $profile): array {
            unset($profile['order']);

            return $profile;
        }, $found);
    }
}
