<?php

declare(strict_types=1);

namespace App\Platform;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** Who did what, when; only ever added to. */
#[ORM\Entity]
#[ORM\Index(fields: ['subjectId', 'createdAt'])]
#[ORM\Index(fields: ['userName', 'id'], name: 'IDX_audit_person')]
#[ORM\Index(fields: ['action', 'id'], name: 'IDX_audit_action')]
class AuditEntry extends Row
{
    /** @param array<string, mixed> $detail */
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\Column(length: 80)]
        public readonly string $userName,
        #[ORM\Column(length: 60)]
        public readonly string $action,
        #[ORM\Column(type: 'uuid')]
        public readonly Uuid $subjectId,
        #[ORM\Column(type: 'json')]
        public readonly array $detail,
    ) {
        parent::__construct($id, $at);
    }
}
