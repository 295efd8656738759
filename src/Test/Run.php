<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\VersionedRow;
use App\Shelf\Fitting;
use App\Shelf\Printer;
use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlateSpot;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunStep;
use Symfony\Component\Uid\Uuid;

/** One run of a setup: planned, made step by step, done; or void, with a reason, and then kept and repeated. */
#[ORM\Entity]
#[ORM\Index(fields: ['status', 'finishedAt'])]
#[ORM\Index(fields: ['comparison', 'status'], name: 'IDX_run_comparison_status')]
#[ORM\Index(fields: ['fitting', 'finishedAt', 'held', 'damage', 'spot'], name: 'IDX_run_fitting_seen')]
class Run extends VersionedRow
{
    #[ORM\Column(length: 10)]
    public RunStatus $status = RunStatus::Planned;

    /** By its key, so that a step that was taken away leaves its runs. */
    #[ORM\Column(length: 20)]
    public string $step = RunStep::Prepare->value;

    /** When the present step began, for its timer. */
    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $stepBeganAt = null;

    #[ORM\Column(length: 20, nullable: true)]
    public ?Outcome $outcome = null;

    /** When somebody first said how the print ended. */
    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $outcomeSaidAt = null;

    /** Layer or time at which it came off, as noted. */
    #[ORM\Column(length: 80)]
    public string $outcomeNote = '';

    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $startedAt = null;

    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $finishedAt = null;

    /** What stands of the readings, kept here for counting over many runs. */
    #[ORM\Column(nullable: true)]
    public ?bool $held = null;

    #[ORM\Column(type: 'smallint', nullable: true)]
    public ?int $effort = null;

    #[ORM\Column(nullable: true)]
    public ?bool $damage = null;

    #[ORM\Column(length: 300)]
    public string $voidReason = '';

    #[ORM\Column(length: 80)]
    public string $voidedBy = '';

    /** By whoever made the run, with its outcome known. */
    #[ORM\Column]
    public bool $voidedAlone = false;

    #[ORM\Column(type: 'uuid', nullable: true)]
    public ?Uuid $voidedById = null;

    #[ORM\Column(length: 80)]
    public string $madeBy = '';

    #[ORM\Column(type: 'uuid', nullable: true)]
    public ?Uuid $madeById = null;

    /** The printer that this run keeps from others now; the database holds each for one run. */
    #[ORM\OneToOne]
    public ?Printer $occupies = null;

    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $printBeganAt = null;

    /** Of the file that was printed, as SHA-256; null: nobody looked at it. */
    #[ORM\Column(length: 64, nullable: true)]
    public ?string $fileDigest = null;

    /** Measured, never planned. */
    #[ORM\Column(nullable: true)]
    public ?float $printMinutes = null;

    /** @var array<string, string> reasons by measure that the plan wants and nobody took */
    #[ORM\Column(type: 'json')]
    public array $notTaken = [];

    /** Whether its printer was when it was begun; a printer may get or lose its enclosure afterwards. */
    #[ORM\Column(name: 'has_enclosure')]
    public bool $enclosed;

    /** What the chamber of its printer was then kept at. */
    #[ORM\Column(nullable: true)]
    public ?float $chamberC;

    /** The sheet it is made on; that of its setup, kept here for counting. */
    #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
    public readonly Fitting $fitting;

    /** @var Collection<int, Part> */
    #[ORM\OneToMany(targetEntity: Part::class, mappedBy: 'run', cascade: ['persist'])]
    #[ORM\OrderBy(['place' => 'ASC'])]
    public Collection $parts;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $createdAt,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Comparison $comparison,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Setup $setup,
        #[ORM\Column]
        public readonly int $position,
        #[ORM\Column]
        public readonly int $visit,
        #[ORM\Column(length: 10)]
        public readonly PullKind $pull,
        #[ORM\Column]
        public readonly bool $plateChange,
        /** As it was while this run was made; the comparison's value is what was planned. */
        #[ORM\Column]
        public float $roomC,
        /** Where its part stands on the plate; null: where the file has it. */
        #[ORM\Column(nullable: true)]
        public readonly ?PlateSpot $spot = null,
    ) {
        parent::__construct($id, $createdAt);
        $this->fitting = $setup->fitting;
        $this->seeAir();
        $this->parts = new ArrayCollection();
        for ($place = 1; $place <= $comparison->partsPerRun(); ++$place) {
            $this->parts->add(new Part(Uuid::v7(), $createdAt, $this, $place));
        }
    }

    /** Notes how the air around the part is now. */
    public function seeAir(): void
    {
        $this->enclosed = $this->comparison->printer->enclosed;
        $this->chamberC = $this->comparison->printer->chamberC;
    }

    public function part(): Part
    {
        return $this->parts->first() ?: throw new \LogicException('A run is made together with its part.');
    }

    /** Keeps what is counted over many runs in step with the reading that stands now. */
    public function take(Reading $reading): void
    {
        match ($reading->measure) {
            Measure::Held => $this->held = $reading->value > 0.5,
            Measure::Effort => $this->effort = (int) $reading->value,
            Measure::Damage => $this->damage = $reading->value > 0.5,
            default => null,
        };
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'comparisonId' => $this->comparison->id->toRfc4122(),
            'setupId' => $this->setup->id->toRfc4122(),
            'position' => $this->position,
            'visit' => $this->visit,
            'pull' => $this->pull->value,
            'plateChange' => $this->plateChange,
            'status' => $this->status->value,
            'step' => $this->step,
            'stepBeganAt' => $this->stepBeganAt?->format(\DATE_ATOM),
            'outcome' => $this->outcome?->value,
            'outcomeNote' => $this->outcomeNote,
            'roomC' => $this->roomC,
            'startedAt' => $this->startedAt?->format(\DATE_ATOM),
            'finishedAt' => $this->finishedAt?->format(\DATE_ATOM),
            'printMinutes' => $this->printMinutes,
            'occupiesPrinter' => null !== $this->occupies,
            'notTaken' => (object) $this->notTaken,
            'voidReason' => $this->voidReason,
            'voidedAlone' => $this->voidedAlone,
            'voidedBy' => $this->voidedBy,
            'madeBy' => $this->madeBy,
        ];
    }
}
