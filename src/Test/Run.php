<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\VersionedRow;
use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunStep;
use Symfony\Component\Uid\Uuid;

/** One run of a setup: planned, made step by step, done; or void, with a reason, and then kept and repeated. */
#[ORM\Entity]
#[ORM\Index(fields: ['status', 'finishedAt'])]
class Run extends VersionedRow
{
    public const PLANNED = 'planned';
    public const RUNNING = 'running';
    public const DONE = 'done';
    public const VOID = 'void';

    #[ORM\Column(length: 10)]
    public string $status = self::PLANNED;

    #[ORM\Column(length: 20)]
    public RunStep $step = RunStep::Prepare;

    /** When the present step began, for its timer. */
    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $stepBeganAt = null;

    #[ORM\Column(length: 20, nullable: true)]
    public ?Outcome $outcome = null;

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

    #[ORM\Column(length: 80)]
    public string $madeBy = '';

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
    ) {
        parent::__construct($id, $createdAt);
        $this->parts = new ArrayCollection();
        $this->parts->add(new Part(Uuid::v7(), $createdAt, $this, 1));
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

    /** @return list<RunStep> */
    public function sequence(): array
    {
        return RunStep::sequence($this->pull, $this->outcome?->pullPossible() ?? true);
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
            'status' => $this->status,
            'step' => $this->step->value,
            'steps' => array_map(static fn (RunStep $step): string => $step->value, $this->sequence()),
            'stepBeganAt' => $this->stepBeganAt?->format(\DATE_ATOM),
            'outcome' => $this->outcome?->value,
            'outcomeNote' => $this->outcomeNote,
            'roomC' => $this->roomC,
            'startedAt' => $this->startedAt?->format(\DATE_ATOM),
            'finishedAt' => $this->finishedAt?->format(\DATE_ATOM),
            'voidReason' => $this->voidReason,
            'voidedBy' => $this->voidedBy,
            'madeBy' => $this->madeBy,
        ];
    }
}
