<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** Somebody is signed in somewhere. */
#[ORM\Entity]
#[ORM\Table(name: 'open_session')]
#[ORM\Index(fields: ['user', 'endedAt'], name: 'IDX_open_session_user')]
#[ORM\Index(fields: ['createdAt'], name: 'IDX_open_session_begun')]
class OpenSession extends Row
{
    #[ORM\Column(type: 'utc')]
    public \DateTimeImmutable $seenAt;

    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $endedAt = null;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $createdAt,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly User $user,
        #[ORM\Column(length: 64)]
        public readonly string $address,
        #[ORM\Column]
        public readonly bool $handheld,
    ) {
        parent::__construct($id, $createdAt);
        $this->seenAt = $this->createdAt;
    }
}
