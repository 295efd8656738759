<?php

declare(strict_types=1);

namespace App\Platform;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\Uid\Uuid;

/** Writes the audit trail, in the same transaction as the change. */
final readonly class Audit
{
    public function __construct(private EntityManagerInterface $entities, private Security $security, private Now $now)
    {
    }

    /**
     * @param array<string, mixed> $detail
     * @param string|null          $who    null: whoever is signed in
     */
    public function note(string $action, Uuid $subject, array $detail = [], ?string $who = null): void
    {
        $name = $who ?? $this->security->getUser()?->getUserIdentifier() ?? 'nobody';
        $this->entities->persist(new AuditEntry(Uuid::v7(), $this->now->time(), $name, $action, $subject, $detail));
    }
}
