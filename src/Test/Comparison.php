<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\VersionedRow;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Shelf\Printer;
use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\PlateSpot;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Question\WhichOfThese;
use Sitzplatz\Test\RunDurations;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\Taken;
use Sitzplatz\Test\TestPiece;
use Sitzplatz\Test\UsualPlan;
use Symfony\Component\Uid\Uuid;

/** A comparison of setups: one question, what is held constant, and the limits that decide, fixed before the first run. */
#[ORM\Entity]
#[ORM\Index(fields: ['createdAt'], name: 'IDX_comparison_created')]
#[ORM\Index(fields: ['status'], name: 'IDX_comparison_status')]
class Comparison extends VersionedRow
{
    private const VISIT = 'visit';
    private const RUN = 'run';

    #[ORM\Column(length: 160)]
    public string $title;

    #[ORM\Column(length: 20)]
    public ComparisonStatus $status = ComparisonStatus::Draft;

    /** What it is asked, by its key, so that a kind that was taken away leaves its comparisons. */
    #[ORM\Column(length: 30)]
    public string $kind = WhichOfThese::KEY;

    /** From the catalogue. */
    #[ORM\Column(length: 40)]
    public string $materialId;

    #[ORM\Column]
    public float $roomC;

    #[ORM\Column]
    public float $nozzleMm;

    /** What else stands on the plate, as of a {@see Job}. */
    #[ORM\Column(length: 300, options: ['default' => ''])]
    public string $alsoMaterials = '';

    /** In the first layer. */
    #[ORM\Column(nullable: true)]
    public ?float $nozzleFirstC = null;

    /** Of the first layer, by the feeler or as the offset; null: nobody measured it. */
    #[ORM\Column(nullable: true)]
    public ?float $gapMm = null;

    /** What the gap is set with. */
    #[ORM\Column(length: 120)]
    public string $feeler;

    /** @var array<string, mixed> test piece, G-code name, line width, speed, fan, hold-down, brim */
    #[ORM\Column(type: 'json')]
    public array $constants;

    /** @var array<string, int|float|string|null> */
    #[ORM\Column(type: 'json')]
    public array $limits;

    /**
     * @var array{criterion: string, share: float, design: string, measures: list<string>, scaleStepN: float, visits: int, plateStays: bool,
     *     coatStays?: bool, partsPerRun?: int, spotsBalanced?: bool, unit?: string}
     */
    #[ORM\Column(type: 'json')]
    public array $proof;

    /** @var array<string, int|float> minutes */
    #[ORM\Column(type: 'json')]
    public array $durations;

    #[ORM\Column]
    public int $runsPerSetup;

    #[ORM\Column]
    public int $hotPerSetup;

    #[ORM\Column]
    public int $seed;

    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $startedAt = null;

    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $closedAt = null;

    /** Runs were added after a verdict had been looked at, which inflates its error. */
    #[ORM\Column]
    public bool $grewAfterVerdict = false;

    /** An earlier one that stands beside it; the two were not run together, and are never pooled. */
    #[ORM\ManyToOne(targetEntity: self::class)]
    public ?self $control = null;

    /** @var Collection<int, Setup> */
    #[ORM\OneToMany(targetEntity: Setup::class, mappedBy: 'comparison', cascade: ['persist', 'remove'], orphanRemoval: true)]
    #[ORM\OrderBy(['position' => 'ASC'])]
    public Collection $setups;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $createdAt,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public Lot $lot,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public Printer $printer,
    ) {
        parent::__construct($id, $createdAt);
        $this->setups = new ArrayCollection();
    }

    /** @param array<string, mixed> $body */
    public function apply(array $body): void
    {
        $this->title = $body['title'];
        $this->kind = $body['kind'] ?? WhichOfThese::KEY;
        $this->roomC = (float) $body['roomC'];
        $constants = $body['constants'];
        $this->nozzleMm = (float) $constants['nozzleMm'];
        $this->nozzleFirstC = Number::orNull($constants['nozzleFirstC']);
        $this->gapMm = Number::orNull($constants['gapMm']);
        $this->feeler = $constants['feeler'];
        $this->alsoMaterials = AlsoPrinted::word(array_values(array_diff($constants['alsoMaterialIds'] ?? [], [$this->lot->materialId])));
        // What evidence matches on has columns of its own.
        unset($constants['nozzleMm'], $constants['nozzleFirstC'], $constants['gapMm'], $constants['feeler'], $constants['alsoMaterialIds']);
        $this->constants = $constants;
        $this->limits = [
            ...$body['limits'],
            'liftAtMostMm' => $body['limits']['liftAtMostMm'] ?? null,
            'liftBy' => LiftBy::ofParts($body['proof']['partsPerRun'] ?? 1, LiftBy::tryFrom($body['limits']['liftBy'] ?? ''))->value,
        ];
        $this->proof = self::proof($body['proof'] ?? [], $this->limits);
        $this->durations = $body['durations'];
        $this->runsPerSetup = $body['runsPerSetup'];
        $this->hotPerSetup = $body['hotPerSetup'];
        $this->seed = $body['seed'];
        $this->materialId = $this->lot->materialId;
    }

    public function firstLayerSpeedMmS(): float
    {
        return (float) $this->constants['firstLayerSpeedMmS'];
    }

    public function brim(): string
    {
        return (string) $this->constants['brim'];
    }

    public function piece(): TestPiece
    {
        $piece = $this->constants['piece'];
        \assert(\is_array($piece));

        return new TestPiece(
            $piece['name'],
            (float) $piece['alongPullMm'],
            (float) $piece['acrossPullMm'],
            (float) $piece['pullHeightMm'],
            Number::orNull($piece['contactAreaMm2'] ?? null),
            Number::orNull($piece['sectionMm3'] ?? null),
        );
    }

    public function plan(): ProofPlan
    {
        return self::proofPlan($this->proof, $this->limits, $this->runsPerSetup, $this->hotPerSetup);
    }

    /**
     * What a plan takes for proof; a measure that does not decide has no limit.
     *
     * @param array{criterion: string, share: float|int, design: string, measures: list<string>, visits: int, plateStays: bool, unit?: string} $proof
     * @param array<string, int|float|string|null>                                                                                             $limits
     */
    public static function proofPlan(array $proof, array $limits, int $runsPerSetup, int $hotPerSetup): ProofPlan
    {
        $taken = self::takenBy($proof);
        $number = static fn (string $name, bool $decides): ?float => $decides ? Number::orNull($limits[$name] ?? null) : null;
        // While the plate stays on, the runs of a visit are not independent; and by the mean what a visit changes does not average out.
        $byVisit = $proof['plateStays'] || self::VISIT === ($proof['unit'] ?? self::RUN);
        $units = static fn (int $runs): int => $byVisit ? min($proof['visits'], $runs) : $runs;

        return new ProofPlan(
            new Limits(
                $number('hotPullAtLeastN', $taken->pulls),
                $number('coldPullAtMostN', $taken->pulls),
                Effort::from((int) $limits['effortAtMost']),
                $number('liftAtMostMm', $taken->lift),
                LiftBy::from((string) ($limits['liftBy'] ?? LiftBy::MeanOfEnds->value)),
                $number('pullMattersN', $taken->pulls),
                $number('liftMattersMm', $taken->lift),
            ),
            Criterion::from($proof['criterion']),
            (float) $proof['share'],
            (int) $limits['failuresAllowed'],
            Design::from($proof['design']),
            $units($runsPerSetup),
            $units($hotPerSetup),
            $units($runsPerSetup - $hotPerSetup),
            byVisit: $byVisit,
        );
    }

    /** What stands for itself, frozen with the plan; plans from before this was said keep their runs. */
    public static function unit(string $criterion): string
    {
        return Criterion::from($criterion)->byVisit() ? self::VISIT : self::RUN;
    }

    /** Parts on the plate at a time. */
    public function partsPerRun(): int
    {
        return $this->proof['partsPerRun'] ?? 1;
    }

    /** Single parts stand on all spots of the plate equally often. */
    public function spread(): bool
    {
        return PlateSpot::spreads($this->proof['spotsBalanced'] ?? false, $this->partsPerRun(), $this->coatStays());
    }

    /** A coat is put on at each visit and stays for all its prints. */
    public function coatStays(): bool
    {
        return $this->proof['coatStays'] ?? false;
    }

    public function design(): Design
    {
        return Design::from($this->proof['design']);
    }

    public function taken(): Taken
    {
        return self::takenBy($this->proof);
    }

    /** @param array{measures: list<string>} $proof */
    public static function takenBy(array $proof): Taken
    {
        return new Taken(\in_array('pull', $proof['measures'], true), \in_array('lift', $proof['measures'], true));
    }

    public function runDurations(): RunDurations
    {
        return self::durationsOf($this->durations);
    }

    /** @param array<string, int|float> $d */
    public static function durationsOf(array $d): RunDurations
    {
        return new RunDurations(
            (float) $d['prepareMinutes'],
            (float) $d['heatAndSoakMinutes'],
            (float) $d['printMinutes'],
            (float) $d['coolMinutes'],
            (float) $d['inspectAndCleanMinutes'],
            (float) $d['plateChangeMinutes'],
        );
    }

    /**
     * @param array<string, mixed>                 $said   may be silent where it is as usual
     * @param array<string, int|float|string|null> $limits
     *
     * @return array{criterion: string, share: float, design: string, measures: list<string>, scaleStepN: float, visits: int, plateStays: bool,
     *     coatStays: bool, partsPerRun: int, spotsBalanced: bool, unit: string}
     */
    private static function proof(array $said, array $limits): array
    {
        $measures = $said['measures'] ?? array_keys(array_filter(['pull' => null !== $limits['hotPullAtLeastN'], 'lift' => null !== $limits['liftAtMostMm']]));

        $criterion = Criterion::from($said['criterion'] ?? UsualPlan::criterion(\in_array('pull', $measures, true))->value);

        return [
            'criterion' => $criterion->value,
            'share' => (float) ($said['share'] ?? UsualPlan::SHARE),
            'design' => $said['design'] ?? Design::Fixed->value,
            'measures' => $measures,
            'scaleStepN' => (float) ($said['scaleStepN'] ?? UsualPlan::SCALE_STEP_N),
            'visits' => $said['visits'] ?? RunOrder::VISITS,
            'plateStays' => $said['plateStays'] ?? false,
            'coatStays' => $said['coatStays'] ?? false,
            'partsPerRun' => $said['partsPerRun'] ?? 1,
            'spotsBalanced' => $said['spotsBalanced'] ?? false,
            'unit' => self::unit($criterion->value),
        ];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'title' => $this->title,
            'status' => $this->status->value,
            'kind' => $this->kind,
            'materialId' => $this->materialId,
            'lotId' => $this->lot->id->toRfc4122(),
            'lotLabel' => $this->lot->label,
            'lotName' => $this->lot->name,
            'printerId' => $this->printer->id->toRfc4122(),
            'printerName' => $this->printer->name,
            'roomC' => $this->roomC,
            'constants' => [
                ...$this->constants,
                'nozzleMm' => $this->nozzleMm,
                'nozzleFirstC' => $this->nozzleFirstC,
                'gapMm' => $this->gapMm,
                'feeler' => $this->feeler,
                'alsoMaterialIds' => AlsoPrinted::ids($this->alsoMaterials),
            ],
            'limits' => $this->limits,
            'proof' => $this->proof,
            'durations' => $this->durations,
            'runsPerSetup' => $this->runsPerSetup,
            'hotPerSetup' => $this->hotPerSetup,
            'seed' => $this->seed,
            'startedAt' => $this->startedAt?->format(\DATE_ATOM),
            'closedAt' => $this->closedAt?->format(\DATE_ATOM),
            'grewAfterVerdict' => $this->grewAfterVerdict,
            'controlId' => $this->control?->id->toRfc4122(),
            'setups' => array_values($this->setups->map(static fn (Setup $setup): array => $setup->toArray())->toArray()),
        ];
    }
}
