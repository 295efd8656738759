<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A thermometer that is watched while a run cools; the background reader fills it. A run has at most one that goes on. */
#[ORM\Entity]
#[ORM\Index(fields: ['state'])]
class Cooling extends Row
{
    public const WAITING = 'waiting';
    public const WATCHING = 'watching';
    public const ENDED = 'ended';
    public const FAILED = 'failed';

    #[ORM\Column(length: 10)]
    public string $state = self::WAITING;

    /** Why it failed, in a sentence. */
    #[ORM\Column(length: 200)]
    public string $message = '';

    /** What its samples count their milliseconds from. */
    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $beganAt = null;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Run $run,
        /** On the shelf. */
        #[ORM\Column(type: 'uuid')]
        public readonly Uuid $thermometerId,
        #[ORM\Column]
        public readonly bool $simulated,
    ) {
        parent::__construct($id, $at);
    }

    public function goesOn(): bool
    {
        return self::WAITING === $this->state || self::WATCHING === $this->state;
    }
}
