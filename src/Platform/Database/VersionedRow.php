<?php

declare(strict_types=1);

namespace App\Platform\Database;

use Doctrine\ORM\Mapping as ORM;

/**
 * A row that two people can edit. Whoever changes it locks it first and moves its version ({@see StoredEdit}), so that a
 * stale write is noticed and refused.
 */
#[ORM\MappedSuperclass]
abstract class VersionedRow extends Row
{
    #[ORM\Column(type: 'integer')]
    public int $version = 1;

    /** @return array<string, mixed> the row as the API shows it */
    abstract public function toArray(): array;
}
