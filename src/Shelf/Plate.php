<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\VersionedRow;
use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Choose\Request\HoldDown;
use Symfony\Component\Uid\Uuid;

/** A numbered plate with one or two usable sides. */
#[ORM\Entity]
class Plate extends VersionedRow implements ShelfItem
{
    #[ORM\Column(length: 20, unique: true)]
    public string $number;

    #[ORM\Column]
    public float $widthMm;

    #[ORM\Column]
    public float $depthMm;

    /** What holds it on its printer. */
    #[ORM\Column(length: 10)]
    public HoldDown $heldBy;

    /** A round plate; its width is its diameter. */
    #[ORM\Column]
    public bool $round = false;

    #[ORM\ManyToOne]
    public ?Printer $printer = null;

    #[ORM\Column(length: 500)]
    public string $note;

    /** @var list<array{of: string, mm: float, contactM2KW?: float|null}> from below, with the front up */
    #[ORM\Column(type: 'json')]
    public array $layers = [];

    /** Carries the mark that some printers look for. */
    #[ORM\Column]
    public bool $marked = true;

    /** The plate type to pick in the slicer; "" for none in particular. */
    #[ORM\Column(length: 60)]
    public string $slicerType = '';

    /** In the shop's money. */
    #[ORM\Column(nullable: true)]
    public ?float $price = null;

    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $purchasedOn = null;

    /** After so many prints it is washed; null: as usual for its surface. */
    #[ORM\Column(nullable: true)]
    public ?int $washPrints = null;

    #[ORM\Column]
    public bool $retired = false;

    /** @var Collection<int, PlateSide> */
    #[ORM\OneToMany(targetEntity: PlateSide::class, mappedBy: 'plate', cascade: ['persist'])]
    #[ORM\OrderBy(['face' => 'DESC'])]
    public Collection $sides;

    public function __construct(Uuid $id, \DateTimeImmutable $createdAt)
    {
        parent::__construct($id, $createdAt);
        $this->sides = new ArrayCollection();
    }

    /** The sides are not edited here: a new surface on a side is a fitting of its own. */
    public function apply(array $body): void
    {
        $this->number = $body['number'];
        $this->widthMm = (float) $body['widthMm'];
        $this->depthMm = (float) $body['depthMm'];
        $this->heldBy = HoldDown::from($body['heldBy']);
        $this->round = $body['round'] ?? false;
        $this->note = $body['note'];
        $this->layers = $body['layers'] ?? [];
        $this->marked = $body['marked'] ?? true;
        $this->slicerType = $body['slicerType'] ?? '';
        $this->price = Number::orNull($body['price'] ?? null);
        $this->washPrints = $body['washPrints'] ?? null;
        $this->purchasedOn = \is_string($body['purchasedOn'] ?? null) ? new \DateTimeImmutable($body['purchasedOn']) : null;
        $this->retired = $body['retired'] ?? false;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'number' => $this->number,
            'widthMm' => $this->widthMm,
            'depthMm' => $this->depthMm,
            'heldBy' => $this->heldBy->value,
            'round' => $this->round,
            'printerId' => $this->printer?->id->toRfc4122(),
            'note' => $this->note,
            'layers' => $this->layers,
            'marked' => $this->marked,
            'slicerType' => $this->slicerType,
            'price' => $this->price,
            'purchasedOn' => $this->purchasedOn?->format('Y-m-d'),
            'washPrints' => $this->washPrints,
            'retired' => $this->retired,
            'sides' => array_values($this->sides->map(static fn (PlateSide $side): array => $side->toArray())->toArray()),
        ];
    }
}
