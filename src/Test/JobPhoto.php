<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use App\Platform\Database\Withdrawable;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A photo of what a print for use left; its picture is in a row of its own. */
#[ORM\Entity]
class JobPhoto extends Row
{
    use Withdrawable;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne(inversedBy: 'photos'), ORM\JoinColumn(nullable: false)]
        public readonly Job $job,
        /** Pixels. */
        #[ORM\Column(type: 'smallint')]
        public readonly int $width,
        #[ORM\Column(type: 'smallint')]
        public readonly int $height,
        /** SHA-256 of the picture as it is kept. */
        #[ORM\Column(length: 64)]
        public readonly string $digest,
        #[ORM\Column(length: 80)]
        public readonly string $takenBy,
    ) {
        parent::__construct($id, $at);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'width' => $this->width,
            'height' => $this->height,
            'takenBy' => $this->takenBy,
            'at' => $this->createdAt->format(\DATE_ATOM),
        ];
    }
}
