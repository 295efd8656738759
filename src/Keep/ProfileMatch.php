<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\StoredId;
use App\Shelf\Number;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Keep\Doubt;
use Sitzplatz\Keep\Job;
use Sitzplatz\Keep\ProfileTrust;
use Sitzplatz\Keep\ScopePoint;
use Symfony\Component\Uid\Uuid;

/** The signed profiles of a material held against a job: those to be trusted for it first. All are held before any is left out. */
final readonly class ProfileMatch
{
    /** As many as somebody reads before the candidates; the rest is counted, and stands under Keep. */
    private const SHOWN = 6;

    public function __construct(private EntityManagerInterface $entities, private ProfileDoubts $doubts, private ProfileDial $dials)
    {
    }

    /**
     * @param non-empty-list<Job> $jobs the same on several printers; a profile is held against its own printer, if that is among them
     *
     * @return array{shown: list<array<string, mixed>>, count: int, seats: list<ProvenSeat>} what is shown of them, how many there
     *                                                                                       are, and what they prove for this job
     */
    public function forJobs(string $materialId, array $jobs): array
    {
        $found = $seats = [];
        $on = array_column($jobs, null, 'printerId');
        foreach ($this->signed($materialId) as $row) {
            /** @var array{scope: array<string, mixed>, setting: array<string, mixed>} $terms */
            $terms = json_decode((string) $row['terms'], true, 16, \JSON_THROW_ON_ERROR);
            $side = StoredId::textOrNull($row['side_id']);
            $printer = StoredId::textOrNull($row['printer_id']);
            $points = Profile::scopeOf($terms, StoredId::textOrNull($row['lot_id']), $side, $printer)->check($on[$printer ?? ''] ?? $jobs[0]);
            $doubts = $this->doubts->ofRow($row);
            $trust = ProfileTrust::of(Profile::TRIAL === $row['status'], $points, $doubts);
            if (ProfileTrust::Proven === $trust && null !== $side) {
                $setting = $terms['setting'];
                $seats[] = new ProvenSeat(
                    $side,
                    $setting['agentId'] ?? null,
                    Number::orNull($setting['bedFirstC']),
                    Number::orNull($setting['bedOtherC'] ?? null),
                    $printer,
                    Number::orNull($setting['exposureS'] ?? null),
                );
            }
            $found[] = [[$trust->rank(), \count(self::outside($points)) + \count($doubts)], StoredId::text($row['id']), $trust, $points, $doubts];
        }
        usort($found, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $shown = \array_slice($found, 0, self::SHOWN);
        $profiles = $this->named(array_column($shown, 1));

        return [
            'shown' => array_map(fn (array $one): array => $this->row($profiles[$one[1]], $one[2], $one[3], $one[4]), $shown),
            'count' => \count($found),
            'seats' => $seats,
        ];
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
            'plateSideId' => $profile->side?->id->toRfc4122(),
            'dial' => $this->dials->of($profile),
            'inScope' => [] === self::outside($points) && [] === $doubts,
            'points' => array_map(
                static fn (ScopePoint $point): array => ['point' => $point->point, 'inScope' => $point->inScope, 'sentence' => $point->sentence],
                self::withDoubts($points, $doubts),
            ),
            'restoredBy' => array_map(static fn (Doubt $doubt) => $doubt->restoredBy, $doubts),
        ];
    }

    /** @return iterable<array<string, mixed>> rows of all with what they stand for, the newest first */
    private function signed(string $materialId): iterable
    {
        return $this->entities->getConnection()->iterateAssociative(
            'SELECT p.id, p.status, p.terms, p.side_id, p.lot_id, '.ProfileDoubts::GROUND.' FROM profile p '.ProfileDoubts::SHELF.'
             WHERE p.material_id = ? AND p.status IN (?, ?) ORDER BY p.signed_at DESC',
            [$materialId, Profile::VALIDATED, Profile::TRIAL],
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, Profile> by id
     */
    private function named(array $ids): array
    {
        /** @var list<Profile> $profiles */
        $profiles = $this->entities->createQuery(
            'SELECT p, s, f, pl, r FROM '.Profile::class.' p LEFT JOIN p.side s LEFT JOIN s.fitting f LEFT JOIN s.plate pl LEFT JOIN p.printer r
             WHERE p.id IN (:ids)',
        )->setParameter('ids', array_map(static fn (string $id): string => Uuid::fromString($id)->toBinary(), $ids))->getResult();
        $byId = [];
        foreach ($profiles as $profile) {
            $byId[$profile->id->toRfc4122()] = $profile;
        }

        return $byId;
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
