<?php

declare(strict_types=1);

namespace App\Test;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Holds the tallies against the runs, and counts them anew where somebody wants it. */
#[AsCommand('sitzplatz:tally', 'Says whether the tallies are what the runs counted again give')]
final class TallyCommand extends Command
{
    public function __construct(private readonly RunTally $tally)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('rebuild', null, InputOption::VALUE_NONE, 'count everything again');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $wrong = $this->tally->wrong();
        $output->writeln(0 === $wrong ? 'The tallies are right.' : \sprintf('%d groups are not what the runs give.', $wrong));
        if ($input->getOption('rebuild')) {
            $this->tally->rebuild();
            $output->writeln('They are counted again.');

            return self::SUCCESS;
        }

        return 0 === $wrong ? self::SUCCESS : self::FAILURE;
    }
}
