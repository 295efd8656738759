<?php

declare(strict_types=1);

namespace App\Platform\Database;

use Doctrine\ORM\Mapping as ORM;

/** A row that two people can edit: a stale write is refused. */
#[ORM\MappedSuperclass]
abstract class VersionedRow extends Row
{
    #[ORM\Version, ORM\Column(type: 'integer')]
    public int $version = 1;

    /** @return array<string, mixed> the row as the API shows it */
    abstract public function toArray(): array;
}
