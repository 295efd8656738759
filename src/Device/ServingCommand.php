<?php

declare(strict_types=1);

namespace App\Device;

use App\Platform\Health\SignsOfLife;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseException;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Command\SignalableCommandInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** A command that goes on until it is told to stop. */
abstract class ServingCommand extends Command implements SignalableCommandInterface
{
    private const SIGN_SECONDS = 5;

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
     * Looks again and again for what there is to do, and gives a sign of life under its name: after it has looked, as a look may
     * be what makes room for the sign.
     *
     * @param \Closure(): bool $look whether to look again at once
     */
    final protected function serve(
        Connection $database,
        ClockInterface $clock,
        SignsOfLife $life,
        OutputInterface $output,
        float $pollSeconds,
        \Closure $look,
    ): int {
        $said = 0;
        while (!$this->stopping) {
            try {
                $again = $look();
                if ($clock->now()->getTimestamp() - $said >= self::SIGN_SECONDS) {
                    $life->give((string) $this->getName());
                    $said = $clock->now()->getTimestamp();
                }
                if ($again) {
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
