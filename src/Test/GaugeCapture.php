<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\PullKind;
use Symfony\Component\Uid\Uuid;

/** One pull that the gauge is watched for; the background reader fills it. */
#[ORM\Entity]
#[ORM\Index(fields: ['state'])]
class GaugeCapture extends Row
{
    public const WAITING = 'waiting';
    public const PULLING = 'pulling';
    public const ENDED = 'ended';
    public const FAILED = 'failed';

    #[ORM\Column(length: 10)]
    public string $state = self::WAITING;

    /** The most that the gauge can show, as it says itself, N. */
    #[ORM\Column(nullable: true)]
    public ?float $rangeN = null;

    /** What its samples count their milliseconds from. */
    #[ORM\Column(type: 'utc', nullable: true)]
    public ?\DateTimeImmutable $beganAt = null;

    /** Why it failed, in a sentence. */
    #[ORM\Column(length: 200)]
    public string $message = '';

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Run $run,
        #[ORM\Column(length: 10)]
        public readonly PullKind $pull,
        /** On the shelf. */
        #[ORM\Column(type: 'uuid', nullable: true)]
        public readonly ?Uuid $gaugeId = null,
        #[ORM\Column]
        public readonly bool $simulated = false,
    ) {
        parent::__construct($id, $at);
    }
}
