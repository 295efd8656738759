<?php

declare(strict_types=1);

namespace App\Platform\Database;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** What every row has: a UUIDv7 key, made by client or server, and when it was made. */
#[ORM\MappedSuperclass]
abstract class Row
{
    /** Never changed; not readonly, because a row that is loaded lazily gets it twice. */
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    /** Never changed; not readonly, because a row that is locked is read again. */
    #[ORM\Column(type: 'utc')]
    public \DateTimeImmutable $createdAt;

    /** Minutes east of UTC of the place where the row was made. */
    #[ORM\Column(type: 'smallint')]
    public readonly int $utcOffsetMinutes;

    public function __construct(Uuid $id, \DateTimeImmutable $createdAt)
    {
        $this->id = $id;
        $this->createdAt = $createdAt->setTimezone(new \DateTimeZone('UTC'));
        $this->utcOffsetMinutes = intdiv($createdAt->getOffset(), 60);
    }
}
