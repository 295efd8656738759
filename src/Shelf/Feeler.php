<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\VersionedRow;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Choose\Request\FeelerFacts;

/** A shim, card or feeler of the shop. */
#[ORM\Entity]
class Feeler extends VersionedRow implements ShelfItem
{
    #[ORM\Column(length: 80)]
    public string $name;

    #[ORM\Column]
    public float $thicknessMm;

    /** By how much it is squeezed at its drag. */
    #[ORM\Column]
    public float $givesMm = 0.0;

    /** How it drags when nought is right. */
    #[ORM\Column(length: 60)]
    public string $drag = '';

    #[ORM\Column]
    public bool $retired = false;

    public function apply(array $body): void
    {
        $this->name = $body['name'];
        $this->thicknessMm = (float) $body['thicknessMm'];
        $this->givesMm = (float) ($body['givesMm'] ?? 0);
        $this->drag = $body['drag'] ?? '';
        $this->retired = $body['retired'] ?? false;
    }

    public function facts(): FeelerFacts
    {
        return new FeelerFacts($this->name, $this->thicknessMm, $this->givesMm, $this->drag);
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'name' => $this->name,
            'thicknessMm' => $this->thicknessMm,
            'givesMm' => $this->givesMm,
            'drag' => $this->drag,
            'retired' => $this->retired,
        ];
    }
}
