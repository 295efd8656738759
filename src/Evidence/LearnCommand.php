<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Device\ServingCommand;
use App\Platform\Health\SignsOfLife;
use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\HttpKernel\DependencyInjection\ServicesResetterInterface;

/** Learns from what was answered, beside the app and behind it: nobody waits for it. */
#[AsCommand('sitzplatz:learn', 'Learns from all runs and prints of the shop, again and again or once')]
final class LearnCommand extends ServingCommand
{
    private const ROUND_SECONDS = 15.0;

    public function __construct(
        private readonly Connection $database,
        private readonly ClockInterface $clock,
        private readonly LearnedShop $shop,
        private readonly SignsOfLife $life,
        private readonly ServicesResetterInterface $services,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('once', null, InputOption::VALUE_NONE, 'learns all of it again, and ends');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (true === $input->getOption('once')) {
            $this->learn();

            return self::SUCCESS;
        }

        // At its start all of it, as another version may learn otherwise.
        $learned = false;

        return $this->serve($this->database, $this->clock, $this->life, $output, self::ROUND_SECONDS, function () use (&$learned): bool {
            if (!$learned || $this->shop->isBehind()) {
                $this->learn();
                $learned = true;
            }

            return false;
        });
    }

    private function learn(): void
    {
        // It goes on for weeks: what is kept for one request, such as grades and changes of printers, is read anew.
        $this->services->reset();
        $this->shop->learn();
    }
}
