<?php

declare(strict_types=1);

namespace App\Judge;

use App\Account\Author;
use App\Catalogue\ShopCatalogue;
use App\Platform\Words\Wording;
use App\Test\Comparison;
use App\Test\RunRepository;
use App\Test\Setup;
use App\Test\StripData;
use Doctrine\DBAL\Connection;
use Sitzplatz\CoreVersion;
use Sitzplatz\Judge\ComparisonJudgement;
use Sitzplatz\Judge\Finding;
use Sitzplatz\Judge\MeanAgainstLimit;
use Sitzplatz\Judge\MeasureSummary;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Uid\Uuid;

/** Hands the readings of a comparison to the core and brings its answer into the form that the API shows. */
final readonly class Judging
{
    public function __construct(
        private RunRepository $runs,
        private Connection $database,
        private StripData $strip,
        private ShopCatalogue $shop,
        private Wording $wording,
    ) {
    }

    /** The judgement as it is to be kept, with the runs it is reckoned from. To be asked while the comparison is locked. */
    public function record(Comparison $comparison, Author $by, \DateTimeImmutable $at): VerdictRecord
    {
        $evidence = $this->runs->records($comparison);

        return new VerdictRecord(
            Uuid::v7(),
            $at,
            $comparison,
            $by->name,
            $by->id,
            $this->wording->record($this->shown($comparison, $evidence['records'])),
            $evidence['runIds'],
            $this->shop->get()->digest,
            CoreVersion::NUMBER,
        );
    }

    /** @return array<string, mixed> */
    public function judge(Comparison $comparison): array
    {
        return $this->shown($comparison, $this->runs->records($comparison)['records']);
    }

    /**
     * @param list<SetupRecord> $records
     *
     * @return array<string, mixed>
     */
    private function shown(Comparison $comparison, array $records): array
    {
        $figures = ComparisonJudgement::of($records)->toArray();
        $setups = array_values($comparison->setups->toArray());
        $counts = $this->counts($comparison);
        $shown = [];
        foreach ($records as $i => $record) {
            $shown[] = $this->setup($comparison, $setups[$i], $record, $counts[$setups[$i]->id->toBinary()] ?? ['voids' => 0, 'alone' => 0, 'running' => 0]);
        }

        return [
            'setups' => $shown,
            'measures' => (object) $figures['measures'],
            'held' => $figures['held'],
            'limits' => $comparison->limits,
            'contactAreaMm2' => $comparison->piece()->contactAreaMm2(),
            'runsPlanned' => $comparison->runsPerSetup,
            // Begun and not done: left out, and said.
            'openRuns' => array_sum(array_column($counts, 'running')),
            'grewAfterVerdict' => $comparison->grewAfterVerdict,
        ];
    }

    /**
     * @param array{voids: int, alone: int, running: int} $counts
     *
     * @return array<string, mixed>
     */
    private function setup(Comparison $comparison, Setup $setup, SetupRecord $record, array $counts): array
    {
        $judgement = SetupJudgement::of($record, $comparison->judgingLimits());
        $efforts = array_fill(0, \count(Effort::cases()), 0);
        foreach ($record->readings(Measure::Effort) as $reading) {
            ++$efforts[(int) $reading->value];
        }

        return [
            'id' => $setup->id->toRfc4122(),
            'label' => $setup->label,
            'name' => $setup->name(),
            'strip' => $this->strip->ofSetup($setup),
            'ownRuns' => [
                'at' => $setup->bedFirstC ?? $comparison->roomC,
                'held' => $judgement->held->held,
                'failed' => $judgement->held->runs - $judgement->held->held,
                'stuck' => $record->count(Measure::Effort, $comparison->judgingLimits()->effortAtMost->value),
            ],
            'verdict' => $judgement->verdict->value,
            'words' => $judgement->words(),
            'moreRuns' => $judgement->moreRuns,
            'hold' => self::finding($judgement->hold),
            'release' => self::finding($judgement->release),
            'held' => $judgement->held->held,
            'heldRuns' => $judgement->held->runs,
            'heldCi95' => $judgement->held->interval?->toArray(),
            'voids' => $counts['voids'],
            'voidsAlone' => $counts['alone'],
            'hotPull' => $this->pull($comparison, $record, Measure::PullHot),
            'coldPull' => $this->pull($comparison, $record, Measure::PullCold),
            'efforts' => array_map(
                static fn (Effort $effort): array => ['effort' => $effort->value, 'words' => $effort->words(), 'count' => $efforts[$effort->value]],
                Effort::cases(),
            ),
            'damages' => $record->count(Measure::Damage, 0.5),
        ];
    }

    /** @return array<string, mixed> */
    private function pull(Comparison $comparison, SetupRecord $record, Measure $measure): array
    {
        $summary = MeasureSummary::of($record, $measure);
        $limit = Measure::PullHot === $measure ? $comparison->judgingLimits()->hotPullAtLeastN : $comparison->judgingLimits()->coldPullAtMostN;
        $bounds = 0 === $summary->nAtLeast ? MeanAgainstLimit::of(new Sample($summary->exact), $limit) : null;

        return [
            'n' => $summary->n,
            'nAtLeast' => $summary->nAtLeast,
            'meanN' => $summary->mean,
            'sdN' => $summary->sd,
            'ci95N' => $summary->interval?->toArray(),
            'boundsN' => null === $bounds || null === $bounds->lowerBound || null === $bounds->upperBound ? null : [$bounds->lowerBound, $bounds->upperBound],
            'meanMpa' => null === $summary->mean ? null : $comparison->piece()->shearStressMpa($summary->mean),
            'reason' => $summary->reason,
            'readings' => array_map(
                static fn (Reading $reading): array => ['valueN' => $reading->value, 'atLeast' => $reading->atLeast],
                $record->readings($measure),
            ),
        ];
    }

    /** @return array{answer: string, reasons: list<Sentence>} */
    private static function finding(Finding $finding): array
    {
        return ['answer' => $finding->answer->value, 'reasons' => $finding->reasons];
    }

    /** @return array<string, array{voids: int, alone: int, running: int}> by the binary id of the setup */
    private function counts(Comparison $comparison): array
    {
        $counts = [];
        foreach ($this->database->iterateAssociative(
            "SELECT setup_id, SUM(status = 'void') AS voids, SUM(voided_alone) AS alone, SUM(status = 'running') AS running
             FROM run WHERE comparison_id = ? GROUP BY setup_id",
            [$comparison->id->toBinary()],
        ) as $row) {
            $counts[(string) $row['setup_id']] = ['voids' => (int) $row['voids'], 'alone' => (int) $row['alone'], 'running' => (int) $row['running']];
        }

        return $counts;
    }
}
