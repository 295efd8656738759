<?php

declare(strict_types=1);

namespace App\Bench;

use App\Keep\DriftWatch;
use App\Test\RunTally;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Sitzplatz\Catalogue\Catalogue;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Fills a database of its own with what a busy shop has after three years, so that speed is measured there. */
#[AsCommand('sitzplatz:load-volume', 'Adds 200 plates, 500 profiles, 50 000 runs, a million log entries and a million prints to a demo of its own')]
final class LoadVolumeCommand extends Command
{
    public function __construct(
        private readonly Connection $database,
        private readonly RunTally $tally,
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
        private readonly DriftWatch $drift,
        private readonly EntityManagerInterface $entities,
        private readonly bool $demo,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('runs', null, InputOption::VALUE_REQUIRED, 'how many', '50000')->addOption(
            'seed',
            null,
            InputOption::VALUE_REQUIRED,
            'of the spreading',
            '1',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (!$this->demo) {
            $output->writeln('This is no demo: nothing was added. Start one with a data folder of its own (SITZPLATZ_VAR) and try there.');

            return self::FAILURE;
        }
        if ($this->database->fetchOne("SELECT COUNT(*) FROM plate WHERE number = 'H100'") > 0) {
            $output->writeln('It is filled already; nothing was added.');

            return self::SUCCESS;
        }
        $number = static fn (string $name): int => is_numeric($input->getOption($name)) ? (int) $input->getOption($name) : 0;
        $loaded = (new Volume(
            $this->database,
            $this->tally,
            $this->catalogue,
            $number('seed'),
            $this->clock->now(),
        ))->load($number('runs'));
        $this->drift->rebuild($this->entities);
        foreach ($loaded as $table => $rows) {
            $output->writeln(\sprintf('%-12s %9s', $table, number_format($rows, 0, '.', ' ')));
        }

        return self::SUCCESS;
    }
}
