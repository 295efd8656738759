<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Component\Uid\Uuid;

/** Who did something: the id counts, the name is how they were called then. */
final readonly class Author
{
    public function __construct(public Uuid $id, public string $name)
    {
    }

    public static function of(User $user): self
    {
        return new self($user->id, $user->displayName);
    }
}
