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
use Sitzplatz\Judge\Limits;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\RunDurations;
use Sitzplatz\Test\TestPiece;
use Symfony\Component\Uid\Uuid;

/** A comparison of setups: one question, what is held constant, and the limits that decide, fixed before the first run. */
#[ORM\Entity]
class Comparison extends VersionedRow
{
    #[ORM\Column(length: 160)]
    public string $title;

    #[ORM\Column(length: 20)]
    public ComparisonStatus $status = ComparisonStatus::Draft;

    /** From the catalogue. */
    #[ORM\Column(length: 40)]
    public string $materialId;

    #[ORM\Column]
    public float $roomC;

    #[ORM\Column]
    public float $nozzleMm;

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

    /** @var array<string, int|float> */
    #[ORM\Column(type: 'json')]
    public array $limits;

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
        $this->roomC = (float) $body['roomC'];
        $constants = $body['constants'];
        $this->nozzleMm = (float) $constants['nozzleMm'];
        $this->nozzleFirstC = Number::orNull($constants['nozzleFirstC']);
        $this->gapMm = Number::orNull($constants['gapMm']);
        $this->feeler = $constants['feeler'];
        // What evidence matches on has columns of its own.
        unset($constants['nozzleMm'], $constants['nozzleFirstC'], $constants['gapMm'], $constants['feeler']);
        $this->constants = $constants;
        $this->limits = $body['limits'];
        $this->durations = $body['durations'];
        $this->runsPerSetup = $body['runsPerSetup'];
        $this->hotPerSetup = $body['hotPerSetup'];
        $this->seed = $body['seed'];
        $this->materialId = $this->lot->materialId;
    }

    public function piece(): TestPiece
    {
        $piece = $this->constants['piece'];
        \assert(\is_array($piece));

        return new TestPiece($piece['name'], (float) $piece['alongPullMm'], (float) $piece['acrossPullMm'], (float) $piece['pullHeightMm']);
    }

    public function judgingLimits(): Limits
    {
        return new Limits(
            (float) $this->limits['hotPullAtLeastN'],
            (float) $this->limits['coldPullAtMostN'],
            Effort::from((int) $this->limits['effortAtMost']),
            (int) $this->limits['failuresAllowed'],
            $this->runsPerSetup,
            $this->runsPerSetup - $this->hotPerSetup,
        );
    }

    public function runDurations(): RunDurations
    {
        $d = $this->durations;

        return new RunDurations(
            (float) $d['prepareMinutes'],
            (float) $d['heatAndSoakMinutes'],
            (float) $d['printMinutes'],
            (float) $d['coolMinutes'],
            (float) $d['inspectAndCleanMinutes'],
            (float) $d['plateChangeMinutes'],
        );
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'title' => $this->title,
            'status' => $this->status->value,
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
            ],
            'limits' => $this->limits,
            'durations' => $this->durations,
            'runsPerSetup' => $this->runsPerSetup,
            'hotPerSetup' => $this->hotPerSetup,
            'seed' => $this->seed,
            'startedAt' => $this->startedAt?->format(\DATE_ATOM),
            'closedAt' => $this->closedAt?->format(\DATE_ATOM),
            'grewAfterVerdict' => $this->grewAfterVerdict,
            'setups' => array_values($this->setups->map(static fn (Setup $setup): array => $setup->toArray())->toArray()),
        ];
    }
}
