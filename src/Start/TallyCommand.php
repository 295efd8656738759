<?php

declare(strict_types=1);

namespace App\Start;

use App\Keep\DriftWatch;
use App\Test\RunTally;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Holds the tallies against the runs and prints, and counts them anew where somebody wants it. */
#[AsCommand('sitzplatz:tally', 'Says whether the tallies are what the runs counted again give')]
final class TallyCommand extends Command
{
    /** What was learned of prints is summed in the order in which they came: the last figures may differ. */
    private const LEARNED = [
        'SELECT HEX(profile_id), drift, drifted_on FROM profile_tally WHERE drift IS NOT NULL ORDER BY profile_id',
    ];

    public function __construct(
        private readonly RunTally $tally,
        private readonly DriftWatch $drift,
        private readonly EntityManagerInterface $entities,
        private readonly Connection $database,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('rebuild', null, InputOption::VALUE_NONE, 'count everything again');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $wrong = $this->tally->wrong() + $this->wronglyLearned();
        $output->writeln(0 === $wrong ? 'The tallies are right.' : \sprintf('%d groups are not what the runs give.', $wrong));
        if ($input->getOption('rebuild')) {
            $this->tally->rebuild();
            $this->learn();
            $output->writeln('They are counted again.');

            return self::SUCCESS;
        }

        return 0 === $wrong ? self::SUCCESS : self::FAILURE;
    }

    private function learn(): void
    {
        $this->drift->rebuild($this->entities);
    }

    /** Learns all again, and leaves it as it was. */
    private function wronglyLearned(): int
    {
        $rows = fn (): array => array_map(static fn (array $row): string => (string) json_encode($row), array_merge(
            ...array_map($this->database->fetchAllNumeric(...), self::LEARNED),
        ));
        $this->database->beginTransaction();
        try {
            $kept = $rows();
            $this->learn();
            $learned = $rows();
        } finally {
            $this->database->rollBack();
        }

        return \count(array_diff($kept, $learned)) + \count(array_diff($learned, $kept));
    }
}
