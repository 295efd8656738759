<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\Author;
use App\Platform\Database\VersionedRow;
use App\Shelf\AgentStock;
use App\Shelf\Fitting;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Heat\HeatUse;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Test\Life\JobState;
use Sitzplatz\Test\Life\JobStatus;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlateSpot;
use Symfony\Component\Uid\Uuid;

/** A print for use: with which setup, what was said of it when it began, and how it came out. It is no run: it never enters a comparison. */
#[ORM\Entity]
#[ORM\Index(fields: ['status', 'createdAt'], name: 'IDX_job_status')]
#[ORM\Index(fields: ['status', 'answeredAt'], name: 'IDX_job_answered')]
#[ORM\Index(fields: ['printer', 'machineKey'], name: 'IDX_job_machine')]
#[ORM\Index(fields: ['fitting', 'status', 'answeredAt', 'damaged', 'outcome', 'spot', 'parts'], name: 'IDX_job_seen')]
class Job extends VersionedRow implements TouchesSide
{
    #[ORM\Column(length: 10)]
    public JobStatus $status = JobStatus::Open;

    /** What it is called. */
    #[ORM\Column(length: 160)]
    public string $title;

    #[ORM\ManyToOne]
    public ?AgentStock $agent = null;

    #[ORM\ManyToOne]
    public ?Lot $lot = null;

    /** What else stood on the plate, from the catalogue, in the order of their ids and with commas between. */
    #[ORM\Column(length: 300, options: ['default' => ''])]
    public string $alsoMaterials = '';

    /** On the display; null: unheated, or a resin. */
    #[ORM\Column(nullable: true)]
    public ?float $bedFirstC = null;

    #[ORM\Column(nullable: true)]
    public ?float $bedOtherC = null;

    #[ORM\Column(nullable: true)]
    public ?float $exposureS = null;

    /** Null: nobody said how warm it was. */
    #[ORM\Column(nullable: true)]
    public ?float $roomC = null;

    #[ORM\Column]
    public bool $hasEnclosure;

    /** What the chamber is held at, °C; null: it is not heated. */
    #[ORM\Column(nullable: true)]
    public ?float $chamberC = null;

    #[ORM\Column(type: 'smallint')]
    public int $parts;

    /** Where a single part stood; null: nobody said. */
    #[ORM\Column(type: 'smallint', nullable: true, enumType: PlateSpot::class)]
    public ?PlateSpot $spot = null;

    #[ORM\Column(nullable: true)]
    public ?float $plannedMinutes = null;

    /** The chance that was said when it began, and what practice alone would have said; null: nobody was asked. */
    #[ORM\Column(nullable: true)]
    public ?float $saidChance = null;

    #[ORM\Column(nullable: true)]
    public ?float $practiceChance = null;

    /**
     * What moved it, on log-odds, by name; null: nobody was asked.
     *
     * @var array<string, float>|null
     */
    #[ORM\Column(nullable: true)]
    public ?array $measures = null;

    /** On what that rested: proven, own, alike or practice. */
    #[ORM\Column(length: 10)]
    public string $basis = '';

    #[ORM\Column(nullable: true)]
    public ?float $reportedMinutes = null;

    /** By which the printer knows it; null: it has not reported it. */
    #[ORM\Column(length: 80, nullable: true)]
    public ?string $machineKey = null;

    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $machineBegunAt = null;

    /** Nobody said with which setup: it is taken to be that of the print before. */
    #[ORM\Column]
    public bool $assumed = false;

    #[ORM\Column(length: 20, nullable: true)]
    public ?Outcome $outcome = null;

    #[ORM\Column(nullable: true)]
    public ?Effort $effort = null;

    #[ORM\Column(nullable: true)]
    public ?bool $damaged = null;

    /** How far the worst corner was up, mm; null: nobody measured it. */
    #[ORM\Column(nullable: true)]
    public ?float $liftMm = null;

    /** @var Collection<int, JobMark> */
    #[ORM\OneToMany(targetEntity: JobMark::class, mappedBy: 'job', cascade: ['persist'])]
    #[ORM\OrderBy(['id' => 'ASC'])]
    public Collection $marks;

    /** @var Collection<int, JobPhoto> */
    #[ORM\OneToMany(targetEntity: JobPhoto::class, mappedBy: 'job')]
    #[ORM\OrderBy(['createdAt' => 'ASC', 'id' => 'ASC'])]
    public Collection $photos;

    /** Measured, never planned; null: nobody measured it. */
    #[ORM\Column(nullable: true)]
    public ?float $minutes = null;

    /** Held and let go, as {@see JobAnswer::cameTrue} has it. */
    #[ORM\Column(nullable: true)]
    public ?bool $cameTrue = null;

    /** What bed and chamber take to warm up, Wh, and then while it runs, W, as worked out when it began; null: nobody asked, or it is not known. */
    #[ORM\Column(nullable: true)]
    public ?float $warmWh = null;

    #[ORM\Column(nullable: true)]
    public ?float $drawsW = null;

    /** Taken in all; null: how long it printed, or what it takes, is not known. */
    #[ORM\Column(nullable: true)]
    public ?float $energyWh = null;

    #[ORM\Column(length: 500)]
    public string $note = '';

    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $answeredAt = null;

    #[ORM\Column(length: 80)]
    public string $answeredBy = '';

    #[ORM\Column(length: 80)]
    public readonly string $begunBy;

    /** The sheet it is printed on. */
    #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
    public Fitting $fitting;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Printer $printer,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public PlateSide $side,
        #[ORM\Column(length: 40)]
        public string $materialId,
        Author $by,
        /* Null: that which lies there now. */
        ?Fitting $fitting = null,
    ) {
        parent::__construct($id, $at);
        $this->fitting = $fitting ?? $side->current();
        $this->begunBy = $by->name;
        $this->marks = new ArrayCollection();
        $this->photos = new ArrayCollection();
    }

    public function side(): PlateSide
    {
        return $this->side;
    }

    public function state(\DateTimeImmutable $now): JobState
    {
        return new JobState(
            $this->status,
            $this->plannedMinutes,
            self::minutes($this->createdAt, $now),
            $this->reportedMinutes,
            null === $this->machineBegunAt ? null : self::minutes($this->machineBegunAt, $now),
        );
    }

    /** With the setup of the print before, as nobody said another. */
    public static function likeLast(Uuid $id, \DateTimeImmutable $at, self $last, Author $by): self
    {
        $job = new self($id, $at, $last->printer, $last->side, $last->materialId, $by);
        foreach (['agent', 'lot', 'alsoMaterials', 'bedFirstC', 'bedOtherC', 'exposureS', 'hasEnclosure', 'chamberC', 'parts', 'warmWh', 'drawsW'] as $same) {
            $job->$same = $last->$same;
        }
        $job->assumed = true;

        return $job;
    }

    /** Somebody says with which setup it is printed. What bed and chamber take with it is not known. */
    public function isWith(PlateSide $side, ?AgentStock $agent, ?Lot $lot, ?float $bedC): void
    {
        $this->side = $side;
        $this->fitting = $side->current();
        $this->agent = $agent;
        $this->lot = $lot;
        $this->materialId = $lot->materialId ?? $this->materialId;
        $this->bedFirstC = $this->bedOtherC = $bedC;
        $this->warmWh = $this->drawsW = null;
        $this->assumed = false;
    }

    public function machineBegins(string $key, \DateTimeImmutable $at): void
    {
        $this->machineKey = $key;
        $this->machineBegunAt = $at;
    }

    public function machineEnds(float $minutes): void
    {
        $this->reportedMinutes = $minutes;
        ++$this->version;
    }

    public function answer(JobAnswer $answer, string $note, Author $by, \DateTimeImmutable $at): void
    {
        $this->status = JobStatus::Answered;
        $this->outcome = $answer->outcome;
        $this->effort = $answer->effort;
        $this->damaged = $answer->damaged;
        $this->minutes = $answer->minutes;
        $this->cameTrue = $answer->cameTrue();
        $this->energyWh = null === $this->warmWh || null === $this->drawsW || null === $answer->minutes
            ? null : (new HeatUse($this->warmWh, $this->drawsW))->energyWh($answer->minutes);
        $this->end($note, $by, $at);
    }

    /** @return list<JobPhoto> */
    public function standingPhotos(): array
    {
        return array_values(array_filter($this->photos->toArray(), static fn (JobPhoto $photo): bool => null === $photo->withdrawnAt));
    }

    public function drop(string $reason, Author $by, \DateTimeImmutable $at): void
    {
        $this->status = JobStatus::Dropped;
        $this->end($reason, $by, $at);
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'status' => $this->status->value,
            'title' => $this->title,
            'printerName' => $this->printer->name,
            'sideLabel' => $this->side->label(),
            'plateSideId' => $this->side->id->toRfc4122(),
            'agentName' => $this->agent?->name,
            'materialId' => $this->materialId,
            'alsoMaterialIds' => AlsoPrinted::ids($this->alsoMaterials),
            'lotLabel' => $this->lot?->label,
            'bedFirstC' => $this->bedFirstC,
            'exposureS' => $this->exposureS,
            'parts' => $this->parts,
            'plannedMinutes' => $this->plannedMinutes,
            'begunAt' => $this->createdAt->format(\DATE_ATOM),
            'begunBy' => $this->begunBy,
            'saidChance' => $this->saidChance,
            'assumed' => $this->assumed,
            'reportedMinutes' => $this->reportedMinutes,
            'outcome' => $this->outcome?->value,
            'effort' => $this->effort?->value,
            'damaged' => $this->damaged,
            'minutes' => $this->minutes,
            'cameTrue' => $this->cameTrue,
            'note' => $this->note,
            'answeredAt' => $this->answeredAt?->format(\DATE_ATOM),
            'answeredBy' => $this->answeredBy,
            'liftMm' => $this->liftMm,
            'marks' => array_values(array_map(static fn (JobMark $mark): array => $mark->toArray(), $this->marks->toArray())),
            'photos' => array_map(static fn (JobPhoto $photo): array => $photo->toArray(), $this->standingPhotos()),
            'plate' => RunSheetData::map($this->side->plate, $this->parts, null === $this->spot ? [] : [$this->spot]),
            'takenOff' => array_values(array_map(
                static fn (Outcome $outcome): string => $outcome->value,
                array_filter(Outcome::cases(), static fn (Outcome $outcome): bool => $outcome->pullPossible()),
            )),
            'spots' => $this->parts > 1 ? [] : array_map(
                static fn (PlateSpot $spot): array => ['value' => $spot->value, 'words' => $spot->words()],
                PlateSpot::cases(),
            ),
        ];
    }

    private static function minutes(\DateTimeImmutable $from, \DateTimeImmutable $until): float
    {
        return max(0.0, ((float) $until->format('U.u') - (float) $from->format('U.u')) / 60);
    }

    private function end(string $note, Author $by, \DateTimeImmutable $at): void
    {
        $this->note = $note;
        $this->answeredBy = $by->name;
        $this->answeredAt = $at;
    }
}
