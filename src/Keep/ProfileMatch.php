<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\StoredId;
use App\Shelf\Number;
use App\Shelf\PlateRepository;
use App\Shelf\Printer;
use App\Shelf\SideOnShelf;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Keep\Doubt;
use Sitzplatz\Keep\Job;
use Sitzplatz\Keep\ProfileTrust;
use Sitzplatz\Keep\Scope;
use Sitzplatz\Keep\ScopePoint;
use Symfony\Component\Uid\Uuid;

/** The signed profiles of a material held against a job: those to be trusted for it first. All are held before any is left out. */
final readonly class ProfileMatch
{
    /** As many as somebody reads before the candidates; the rest is counted, and stands under Keep. */
    private const SHOWN = 6;

    public function __construct(
        private EntityManagerInterface $entities,
        private ProfileDoubts $doubts,
        private ProfileDial $dials,
        private PlateRepository $plates,
    ) {
    }

    /**
     * @param non-empty-list<Job> $jobs    the same on several printers; a profile is held against its own printer, if that is among them
     * @param list<SideOnShelf>   $onShelf all sides that are in use
     *
     * @return array{shown: list<array<string, mixed>>, count: int, seats: list<ProvenSeat>} what is shown of them, how many there
     *                                                                                       are, and what they prove for this job
     */
    public function forJobs(string $materialId, array $jobs, array $onShelf): array
    {
        ['found' => $found, 'seats' => $seats] = $this->held($materialId, $jobs);
        usort($found, static fn (array $a, array $b): int => $a['order'] <=> $b['order']);
        $shown = \array_slice($found, 0, self::SHOWN);
        $sides = array_column($onShelf, null, 'id');
        $sides += $this->plates->sidesOf(array_values(array_diff(array_filter(array_column($shown, 'side')), array_keys($sides))));
        $printers = $this->printers(array_values(array_unique(array_filter(array_column($shown, 'printer')))));
        $this->dials->readAhead(array_values($printers));

        return [
            'shown' => array_map(fn (array $one): array => [
                'id' => StoredId::text($one['row']['id']),
                'title' => (string) $one['row']['title'],
                'status' => (string) $one['row']['status'],
                'trust' => $one['trust']->value,
                'trustWords' => $one['trust']->words($one['scope']->longestJobMinutes),
                'revision' => (int) $one['row']['revision'],
                'setting' => $one['terms']['setting'],
                'plateSideId' => $one['side'],
                'dial' => $this->dials->at($one['terms'], $printers[$one['printer'] ?? ''] ?? null, $sides[$one['side'] ?? ''] ?? null),
                // Nothing speaks against it.
                'inScope' => 0 === $one['order'][1],
                'points' => array_map(
                    static fn (ScopePoint $point): array => ['point' => $point->point, 'inScope' => $point->inScope, 'sentence' => $point->sentence],
                    self::withDoubts($one['scope']->check($one['job']), $one['doubts']),
                ),
                'restoredBy' => array_map(static fn (Doubt $doubt) => $doubt->restoredBy, $one['doubts']),
            ], $shown),
            'count' => \count($found),
            'seats' => $seats,
        ];
    }

    /**
     * @param non-empty-list<Job> $jobs as for {@see forJobs}
     *
     * @return list<ProvenSeat> what is proven for this job
     */
    public function seats(string $materialId, array $jobs): array
    {
        return $this->held($materialId, $jobs)['seats'];
    }

    /**
     * @param non-empty-list<Job> $jobs
     *
     * @return array{found: list<array{order: array{int, int}, row: array<string, mixed>,
     *     terms: array{scope: array<string, mixed>, setting: array<string, mixed>}, side: ?string, printer: ?string, scope: Scope, job: Job,
     *     trust: ProfileTrust, doubts: list<Doubt>}>, seats: list<ProvenSeat>}
     */
    private function held(string $materialId, array $jobs): array
    {
        $found = $seats = [];
        $on = array_column($jobs, null, 'printerId');
        foreach ($this->signed($materialId) as $row) {
            /** @var array{scope: array<string, mixed>, setting: array<string, mixed>} $terms */
            $terms = json_decode((string) $row['terms'], true, 16, \JSON_THROW_ON_ERROR);
            $side = StoredId::textOrNull($row['side_id']);
            $printer = StoredId::textOrNull($row['printer_id']);
            $scope = Profile::scopeOf($terms, StoredId::textOrNull($row['lot_id']), $side, $printer);
            $job = $on[$printer ?? ''] ?? $jobs[0];
            $inside = $scope->inside($job);
            $doubts = $this->doubts->ofRow($row);
            $trust = ProfileTrust::of(Profile::TRIAL === $row['status'], $inside, $doubts);
            if (\in_array($trust, [ProfileTrust::Proven, ProfileTrust::ProvenUpTo], true) && null !== $side) {
                $setting = $terms['setting'];
                $seats[] = new ProvenSeat(
                    $side,
                    $setting['agentId'] ?? null,
                    Number::orNull($setting['bedFirstC']),
                    Number::orNull($setting['bedOtherC'] ?? null),
                    $printer,
                    Number::orNull($setting['exposureS'] ?? null),
                    ProfileTrust::ProvenUpTo === $trust ? $scope->longestJobMinutes : null,
                );
            }
            $against = \count(array_keys($inside, false, true)) + \count($doubts);
            $found[] = ['order' => [$trust->rank(), $against]] + compact('row', 'terms', 'side', 'printer', 'scope', 'job', 'trust', 'doubts');
        }

        return ['found' => $found, 'seats' => $seats];
    }

    /** @return iterable<array<string, mixed>> rows of all with what they stand for, the newest first */
    private function signed(string $materialId): iterable
    {
        return $this->entities->getConnection()->iterateAssociative(
            'SELECT p.id, p.title, p.revision, p.status, p.terms, p.side_id, p.lot_id, '.ProfileDoubts::GROUND.' FROM profile p '.ProfileDoubts::SHELF.'
             WHERE p.material_id = ? AND p.status IN (?, ?) ORDER BY p.signed_at DESC',
            [$materialId, Profile::VALIDATED, Profile::TRIAL],
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, Printer> by id
     */
    private function printers(array $ids): array
    {
        /** @var list<Printer> $found */
        $found = [] === $ids ? [] : $this->entities->createQuery('SELECT p FROM '.Printer::class.' p WHERE p.id IN (:ids)')
            ->setParameter('ids', array_map(static fn (string $id): string => Uuid::fromString($id)->toBinary(), $ids))->getResult();
        $printers = [];
        foreach ($found as $printer) {
            $printers[$printer->id->toRfc4122()] = $printer;
        }

        return $printers;
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
