<?php

declare(strict_types=1);

namespace App\Device;

use App\Shelf\Number;
use Doctrine\ORM\Mapping as ORM;

/** A thermometer on the surface of a plate, and what it showed of a known temperature. */
#[ORM\Entity]
class Thermometer extends Instrument
{
    /** The known temperature of the last check (ice in water: 0 °C), and what it showed. */
    #[ORM\Column(nullable: true)]
    public ?float $checkedAtC = null;

    #[ORM\Column(nullable: true)]
    public ?float $checkShowedC = null;

    public function apply(array $body): void
    {
        parent::apply($body);
        $this->checkedAtC = Number::orNull($body['checkedAtC'] ?? null);
        $this->checkShowedC = Number::orNull($body['checkShowedC'] ?? null);
    }

    public function toArray(): array
    {
        return [...parent::toArray(), 'checkedAtC' => $this->checkedAtC, 'checkShowedC' => $this->checkShowedC];
    }
}
