<?php

declare(strict_types=1);

namespace App\Platform\Database;

use Doctrine\ORM\Mapping as ORM;

/** A row that is never deleted: what was entered by mistake is withdrawn, and stays on record. */
trait Withdrawable
{
    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $withdrawnAt = null;
}
