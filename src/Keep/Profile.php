<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\VersionedRow;
use App\Platform\Words\Recorded;
use App\Shelf\Fitting;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\RevisionFacts;
use Sitzplatz\Keep\Scope;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Uid\Uuid;

/** One revision of a profile. Its content never changes; it is signed once, and may be withdrawn. */
#[ORM\Entity]
#[ORM\UniqueConstraint(fields: ['series', 'revision'])]
#[ORM\Index(fields: ['materialId', 'status'])]
#[ORM\Index(fields: ['createdAt', 'id'], name: 'IDX_profile_created')]
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

    #[ORM\Column(type: 'uuid', nullable: true)]
    public ?Uuid $signedById = null;

    /** Of the document as it was signed: keys, quantities and English text. */
    #[ORM\Column(length: 64)]
    public string $signedDigest = '';

    /** The very sheet it was proven on; null: any plate of the surface, or none that is here. */
    #[ORM\ManyToOne]
    public ?Fitting $fitting = null;

    /** When the last of its runs ended. */
    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $evidenceUntil = null;

    /** The day on which it showed that its runs do not carry it, by the rules and readings of then; null: they do. */
    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $evidenceFailsSince = null;

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
        #[ORM\Column(type: 'uuid', nullable: true)]
        public readonly ?Uuid $proposedById = null,
    ) {
        parent::__construct($id, $createdAt);
    }

    /** A digest of all that a signature covers. */
    public function digest(): string
    {
        return hash('sha256', json_encode(self::sorted($this->document), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION));
    }

    /** Whether the document is still the one that was signed; null: it is not signed. */
    public function signatureHolds(): ?bool
    {
        return '' === $this->signedDigest ? null : hash_equals($this->signedDigest, $this->digest());
    }

    public function scope(): Scope
    {
        return self::scopeOf(
            $this->document,
            $this->lot?->id->toRfc4122(),
            $this->side?->id->toRfc4122(),
            $this->printer?->id->toRfc4122(),
        );
    }

    /**
     * @param array<string, mixed> $document
     * @param string|null          $lotId    null, as for the others: none that is here
     */
    public static function scopeOf(array $document, ?string $lotId, ?string $sideId, ?string $printerId): Scope
    {
        /** @var array<string, mixed> $scope */
        $scope = $document['scope'];

        return new Scope(
            $scope['materialId'],
            $scope['anyLot'] ? null : ($lotId ?? $scope['lotLabel']),
            $scope['lotLabel'] ?? 'any',
            $scope['anyPlate'] ? null : ($sideId ?? $scope['sideLabel']),
            $scope['sideLabel'] ?? 'any plate',
            $scope['surfaceId'],
            $printerId ?? $scope['printerName'],
            $scope['printerName'],
            (float) $scope['roomLowC'],
            (float) $scope['roomHighC'],
            $scope['enclosureNeeded'],
            Number::orNull($scope['longestJobMinutes']),
            $scope['mostParts'],
            array_values($scope['alsoMaterialIds'] ?? []),
        );
    }

    public function facts(): RevisionFacts
    {
        /** @var array<string, mixed> $setting */
        $setting = $this->document['setting'];
        $evidence = $this->document['evidence'];

        return new RevisionFacts(
            $this->scope(),
            Number::orNull($setting['bedFirstC'] ?? null),
            Number::orNull(\array_key_exists('bedOtherC', $setting) ? $setting['bedOtherC'] : $setting['bedFirstC'] ?? null),
            Number::orNull($setting['exposureS'] ?? null),
            Number::orNull($setting['nozzleFirstC'] ?? null),
            Number::orNull($setting['nozzleMm'] ?? null),
            Number::orNull($setting['gapMm'] ?? null),
            (string) ($setting['feeler'] ?? ''),
            self::name($setting['agentName'] ?? null),
            (float) $evidence['plan']['reliability'],
            (float) $evidence['plan']['confidence'],
            (int) $evidence['runs'],
            (int) $evidence['failures'],
            Number::orNull($evidence['hotPull']['meanN'] ?? null),
            Number::orNull($evidence['coldPull']['meanN'] ?? null),
        );
    }

    /** A name as records keep it: as somebody wrote it, or with its text beside its key; null: "". */
    private static function name(mixed $name): string
    {
        $text = \is_array($name) ? $name['text'] ?? '' : $name;

        return \is_string($text) ? $text : '';
    }

    private function accepted(): Sentence
    {
        /** @var array<string, mixed> $evidence */
        $evidence = $this->document['evidence'];
        $plan = $evidence['plan'];
        $asked = new AcceptancePlan((float) $plan['reliability'], (float) $plan['confidence'], $plan['failuresAllowed']);

        return match (true) {
            '' !== $this->trialReason => AcceptancePlan::onTrial($evidence['runs'], $evidence['failures'], $this->trialReason),
            self::UNSIGNED === $this->status => $asked->asked(),
            default => AcceptancePlan::inWords(
                $asked->reliability,
                $asked->confidence,
                isset($evidence['proof']) ? Criterion::from($evidence['proof']['criterion']) : null,
                $evidence['coldPull']['n'],
            ),
        };
    }

    private function simulated(): ?Sentence
    {
        /** @var array<string, mixed> $evidence */
        $evidence = $this->document['evidence'];
        $readings = $evidence['simulated'] ?? 0;

        return 0 === $readings ? null : Sentence::of('keep.simulated', readings: Quantity::count($readings));
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'plateSideId' => $this->side?->id->toRfc4122(),
            'printerId' => $this->printer?->id->toRfc4122(),
            'lotId' => $this->lot?->id->toRfc4122(),
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
            'accepted' => $this->accepted(),
            'simulated' => $this->simulated(),
            'trialReason' => $this->trialReason,
            'withdrawnReason' => $this->withdrawnReason,
            'signatureHolds' => $this->signatureHolds(),
            'reviewBy' => $this->reviewBy?->format('Y-m-d'),
        ];
    }

    /** The database may give the members of an object back in another order, and whole numbers without their point. */
    private static function sorted(mixed $value): mixed
    {
        if (!\is_array($value)) {
            return \is_int($value) ? (float) $value : $value;
        }
        if (!array_is_list($value)) {
            ksort($value);
        }

        return array_map(self::sorted(...), $value);
    }
}
