<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A sign-in that failed. */
#[ORM\Entity]
#[ORM\Index(fields: ['account', 'createdAt'])]
#[ORM\Index(fields: ['address', 'createdAt'])]
class SignInFailure extends Row
{
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\Column(length: 64)]
        public readonly string $account,
        #[ORM\Column(length: 64)]
        public readonly string $address,
    ) {
        parent::__construct($id, $at);
    }
}
