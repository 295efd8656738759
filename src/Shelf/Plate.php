<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\VersionedRow;
use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
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

    #[ORM\Column]
    public bool $magnetic;

    #[ORM\ManyToOne]
    public ?Printer $printer = null;

    #[ORM\Column(length: 500)]
    public string $note;

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
        $this->magnetic = $body['magnetic'];
        $this->note = $body['note'];
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
            'magnetic' => $this->magnetic,
            'printerId' => $this->printer?->id->toRfc4122(),
            'note' => $this->note,
            'retired' => $this->retired,
            'sides' => array_values($this->sides->map(static fn (PlateSide $side): array => $side->toArray())->toArray()),
        ];
    }
}
