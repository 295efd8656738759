<?php

declare(strict_types=1);

namespace App\Device;

use App\Shelf\Number;
use Doctrine\ORM\Mapping as ORM;

/** A force gauge: what it can show, and what it showed of a known weight. */
#[ORM\Entity]
class Gauge extends Instrument
{
    /** The most that it can show, N. */
    #[ORM\Column]
    public float $rangeN;

    /** The smallest step that it shows, N. */
    #[ORM\Column]
    public float $resolutionN;

    /** The known weight of the last check, N, and what the gauge showed. */
    #[ORM\Column(nullable: true)]
    public ?float $checkedWithN = null;

    #[ORM\Column(nullable: true)]
    public ?float $checkShowedN = null;

    public function apply(array $body): void
    {
        parent::apply($body);
        $this->rangeN = (float) $body['rangeN'];
        $this->resolutionN = (float) $body['resolutionN'];
        $this->checkedWithN = Number::orNull($body['checkedWithN'] ?? null);
        $this->checkShowedN = Number::orNull($body['checkShowedN'] ?? null);
    }

    public function toArray(): array
    {
        return [
            ...parent::toArray(),
            'rangeN' => $this->rangeN,
            'resolutionN' => $this->resolutionN,
            'checkedWithN' => $this->checkedWithN,
            'checkShowedN' => $this->checkShowedN,
        ];
    }
}
