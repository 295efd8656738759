<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\VersionedRow;
use App\Platform\Words\Recorded;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Keep\Scope;
use Symfony\Component\Uid\Uuid;

/** One revision of a profile. Its content never changes; it is signed once, and may be withdrawn. */
#[ORM\Entity]
#[ORM\UniqueConstraint(fields: ['series', 'revision'])]
#[ORM\Index(fields: ['materialId', 'status'])]
class Profile extends VersionedRow
{
    public const UNSIGNED = 'unsigned';
    public const VALIDATED = 'validated';
    public const TRIAL = 'trial';
    public const WITHDRAWN = 'withdrawn';

    #[ORM\Column(length: 20)]
    public string $status = self::UNSIGNED;

    #[ORM\Column(length: 80, nullable: true)]
    public ?string $signedBy = null;

    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $signedAt = null;

    /** Why a trial was signed although the evidence does not carry it. */
    #[ORM\Column(length: 500)]
    public string $trialReason = '';

    #[ORM\Column(length: 500)]
    public string $withdrawnReason = '';

    /** To be looked at again by then. */
    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $reviewBy = null;

    /**
     * @param array<string, mixed> $document scope, setting, release and evidence, as docs/schemas/profile.schema.json has it
     */
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $createdAt,
        #[ORM\Column(type: 'uuid')]
        public readonly Uuid $series,
        #[ORM\Column]
        public readonly int $revision,
        #[ORM\Column(length: 160)]
        public readonly string $title,
        #[ORM\Column(length: 40)]
        public readonly string $materialId,
        #[ORM\ManyToOne]
        public readonly ?Printer $printer,
        /** Null: any plate of the surface, or a plate that is not here. */
        #[ORM\ManyToOne]
        public readonly ?PlateSide $side,
        #[ORM\ManyToOne]
        public readonly ?Lot $lot,
        #[ORM\Column(type: 'json')]
        public readonly array $document,
        #[ORM\Column]
        public readonly bool $imported,
        #[ORM\Column(length: 80)]
        public readonly string $proposedBy,
    ) {
        parent::__construct($id, $createdAt);
    }

    public function scope(): Scope
    {
        /** @var array<string, mixed> $scope */
        $scope = $this->document['scope'];

        return new Scope(
            $scope['materialId'],
            $scope['anyLot'] ? null : ($this->lot?->id->toRfc4122() ?? $scope['lotLabel']),
            $scope['lotLabel'] ?? 'any',
            $scope['anyPlate'] ? null : ($this->side?->id->toRfc4122() ?? $scope['sideLabel']),
            $scope['sideLabel'] ?? 'any plate',
            $scope['surfaceId'],
            $this->printer?->id->toRfc4122() ?? $scope['printerName'],
            $scope['printerName'],
            (float) $scope['roomLowC'],
            (float) $scope['roomHighC'],
            $scope['enclosureNeeded'],
            (float) $scope['longestJobMinutes'],
            $scope['mostParts'],
        );
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'series' => $this->series->toRfc4122(),
            'revision' => $this->revision,
            'title' => $this->title,
            'status' => $this->status,
            'materialId' => $this->materialId,
            'document' => new Recorded($this->document),
            'imported' => $this->imported,
            'proposedBy' => $this->proposedBy,
            'createdAt' => $this->createdAt->format(\DATE_ATOM),
            'signedBy' => $this->signedBy,
            'signedAt' => $this->signedAt?->format(\DATE_ATOM),
            'trialReason' => $this->trialReason,
            'withdrawnReason' => $this->withdrawnReason,
            'reviewBy' => $this->reviewBy?->format('Y-m-d'),
        ];
    }
}
