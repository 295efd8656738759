<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\VersionedRow;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Test\OnePersonShop;
use Symfony\Component\Uid\Uuid;

/** How this shop works where shops differ; one row. */
#[ORM\Entity]
class ShopSetting extends VersionedRow
{
    /** There is only one. */
    public const ID = '01890000-0000-7000-8000-000000000001';

    /** Nobody else is there to declare a run void. */
    #[ORM\Column]
    public bool $onePerson = false;

    #[ORM\Column]
    public float $voidAfterHours = OnePersonShop::USUAL_WAIT_S / 3600;

    /** In which order the shop climbs the ladder of trust. */
    #[ORM\Column(length: 20)]
    public Ladder $ladder = Ladder::HeatFirst;

    /** By which phones and tablets reach the app, as in https://sitzplatz.lan; "": that by which whoever prints a code reaches it. */
    #[ORM\Column(length: 200)]
    public string $address = '';

    public function __construct(\DateTimeImmutable $createdAt)
    {
        parent::__construct(Uuid::fromString(self::ID), $createdAt);
    }

    public function onePersonShop(): OnePersonShop
    {
        return new OnePersonShop($this->onePerson, 3600 * $this->voidAfterHours);
    }

    public function toArray(): array
    {
        return [
            'version' => $this->version,
            'onePerson' => $this->onePerson,
            'voidAfterHours' => $this->voidAfterHours,
            'ladder' => $this->ladder->value,
            'address' => $this->address,
        ];
    }
}
