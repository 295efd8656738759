<?php

declare(strict_types=1);

namespace App\Keep;

use App\Shelf\Number;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Keep\Doubt;
use Sitzplatz\Keep\Job;
use Sitzplatz\Keep\ProfileTrust;
use Sitzplatz\Keep\ScopePoint;

/** The signed profiles of a material held against a job: those to be trusted for it first. All are held before any is left out. */
final readonly class ProfileMatch
{
    private const SHOWN = 50;

    public function __construct(private EntityManagerInterface $entities, private ProfileDoubts $doubts, private ProfileDial $dials)
    {
    }

    /** @return array{shown: list<array<string, mixed>>, seats: list<ProvenSeat>} what is shown of them, and what they prove for this job */
    public function forJob(string $materialId, Job $job): array
    {
        $found = $seats = [];
        foreach ($this->signed($materialId) as $profile) {
            $points = $profile->scope()->check($job);
            $doubts = $this->doubts->of($profile);
            $trust = ProfileTrust::of(Profile::TRIAL === $profile->status, $points, $doubts);
            $setting = $profile->document['setting'];
            if (ProfileTrust::Proven === $trust && null !== $profile->side) {
                $seats[] = new ProvenSeat(
                    $profile->side->id->toRfc4122(),
                    $setting['agentId'] ?? null,
                    Number::orNull($setting['bedFirstC']),
                    Number::orNull($setting['bedOtherC'] ?? null),
                );
            }
            $found[] = [[$trust->rank(), \count(self::outside($points)) + \count($doubts)], $profile, $trust, $points, $doubts];
        }
        usort($found, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        $shown = array_map(fn (array $one): array => $this->row($one[1], $one[2], $one[3], $one[4]), \array_slice($found, 0, self::SHOWN));

        return ['shown' => $shown, 'seats' => $seats];
    }

    /**
     * @param list<ScopePoint> $points
     * @param list<Doubt>      $doubts
     *
     * @return array<string, mixed>
     */
    private function row(Profile $profile, ProfileTrust $trust, array $points, array $doubts): array
    {
        return [
            'id' => $profile->id->toRfc4122(),
            'title' => $profile->title,
            'status' => $profile->status,
            'trust' => $trust->value,
            'trustWords' => $trust->words(),
            'revision' => $profile->revision,
            'setting' => $profile->document['setting'],
            'dial' => $this->dials->of($profile),
            'inScope' => [] === self::outside($points) && [] === $doubts,
            'points' => array_map(
                static fn (ScopePoint $point): array => ['point' => $point->point, 'inScope' => $point->inScope, 'sentence' => $point->sentence],
                self::withDoubts($points, $doubts),
            ),
            'restoredBy' => array_map(static fn (Doubt $doubt) => $doubt->restoredBy, $doubts),
        ];
    }

    /** @return list<Profile> with what they stand for, the newest first */
    private function signed(string $materialId): array
    {
        /** @var list<Profile> $profiles */
        $profiles = $this->entities->createQuery(
            'SELECT p, s, f, g, pl, l, r FROM '.Profile::class.' p LEFT JOIN p.side s LEFT JOIN s.fitting f LEFT JOIN s.plate pl
             LEFT JOIN p.fitting g LEFT JOIN p.lot l LEFT JOIN p.printer r
             WHERE p.materialId = :m AND p.status IN (:signed) ORDER BY p.signedAt DESC',
        )->setParameter('m', $materialId)->setParameter('signed', [Profile::VALIDATED, Profile::TRIAL])->getResult();

        return $profiles;
    }

    /**
     * @param list<ScopePoint> $points
     *
     * @return list<ScopePoint>
     */
    private static function outside(array $points): array
    {
        return array_values(array_filter($points, static fn (ScopePoint $point): bool => false === $point->inScope));
    }

    /**
     * A doubt about the sheet takes the place of the point that it makes untrue.
     *
     * @param list<ScopePoint> $points
     * @param list<Doubt>      $doubts
     *
     * @return list<ScopePoint>
     */
    private static function withDoubts(array $points, array $doubts): array
    {
        $of = static fn (Doubt $doubt): string => 'sheet' === $doubt->kind ? 'plate' : $doubt->kind;
        $doubted = array_map($of, $doubts);

        return [
            ...array_values(array_filter($points, static fn (ScopePoint $point): bool => !\in_array($point->point, $doubted, true))),
            ...array_map(static fn (Doubt $doubt): ScopePoint => new ScopePoint($of($doubt), false, $doubt->reason), $doubts),
        ];
    }
}
