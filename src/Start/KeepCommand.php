<?php

declare(strict_types=1);

namespace App\Start;

use App\Account\OpenSessions;
use App\Device\ServingCommand;
use App\Platform\Health\DiskRoom;
use App\Platform\Health\SignsOfLife;
use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Goes round beside the app: holds a reserve of the disk, and forgets sessions that are over. */
#[AsCommand('sitzplatz:keep', 'Keeps the house: the reserve of the disk, and sessions that are over.')]
final class KeepCommand extends ServingCommand
{
    private const ROUND_SECONDS = 1.0;
    private const PURGE_SECONDS = 600;

    private int $purgedAt = 0;

    public function __construct(
        private readonly Connection $database,
        private readonly ClockInterface $clock,
        private readonly DiskRoom $room,
        private readonly OpenSessions $sessions,
        private readonly SignsOfLife $life,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        return $this->serve($this->database, $this->clock, $this->life, $output, self::ROUND_SECONDS, function (): bool {
            $this->room->tendReserve();
            $now = $this->clock->now()->getTimestamp();
            if ($now - $this->purgedAt >= self::PURGE_SECONDS) {
                $this->sessions->purge();
                $this->purgedAt = $now;
            }

            return false;
        });
    }
}
