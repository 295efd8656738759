<?php

declare(strict_types=1);

namespace App\Device;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseException;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Command\SignalableCommandInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** A command that goes on until it is told to stop. */
abstract class ServingCommand extends Command implements SignalableCommandInterface
{
    protected bool $stopping = false;

    /** @return list<int> */
    final public function getSubscribedSignals(): array
    {
        return [\SIGTERM, \SIGINT];
    }

    final public function handleSignal(int $signal, int|false $previousExitCode = 0): int|false
    {
        $this->stopping = true;

        return false;
    }

    /**
     * Looks into the database again and again for what there is to do.
     *
     * @param \Closure(): bool $look whether to look again at once
     */
    final protected function serve(Connection $database, ClockInterface $clock, OutputInterface $output, float $pollSeconds, \Closure $look): int
    {
        while (!$this->stopping) {
            try {
                if ($look()) {
                    continue;
                }
            } catch (DatabaseException $e) {
                // The database may be restarting: begin anew with a fresh connection.
                $output->writeln($e->getMessage());
                $database->close();
                $clock->sleep(1);
            }
            $clock->sleep($pollSeconds);
        }

        return self::SUCCESS;
    }
}
