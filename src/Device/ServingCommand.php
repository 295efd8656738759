<?php

declare(strict_types=1);

namespace App\Device;

use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Command\SignalableCommandInterface;

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
}
