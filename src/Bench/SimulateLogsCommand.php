<?php

declare(strict_types=1);

namespace App\Bench;

use Sitzplatz\Evidence\Learned\LogCsv;
use Sitzplatz\Evidence\Learned\Retrospect;
use Sitzplatz\Evidence\Learned\Success;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Says how near what is learned comes to what is true, in shops whose truth it does not know. */
#[AsCommand('sitzplatz:simulate-logs', 'Holds what is learned from simulated logs against what is true there')]
final class SimulateLogsCommand extends Command
{
    /** Of which that many are only learned from. */
    private const LEARNING = 150;

    protected function configure(): void
    {
        $this->addOption('shops', null, InputOption::VALUE_REQUIRED, 'of each truth', '60');
        $this->addOption('prints', null, InputOption::VALUE_REQUIRED, 'of each shop', '600');
        $this->addOption('every', null, InputOption::VALUE_REQUIRED, 'prints after which a shop learns again', '50');
        $this->addOption('seed', null, InputOption::VALUE_REQUIRED, 'of all that is drawn', '1');
        $this->addOption('truth', null, InputOption::VALUE_REQUIRED, implode(', ', SimulatedLog::TRUTHS).'; all without');
        $this->addOption('table', null, InputOption::VALUE_REQUIRED, 'writes the log of the truth to this file, too');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $number = static fn (string $name): int => is_numeric($input->getOption($name)) ? max(1, (int) $input->getOption($name)) : 1;
        $truth = $input->getOption('truth');
        $held = [];
        foreach (\in_array($truth, SimulatedLog::TRUTHS, true) ? [$truth] : SimulatedLog::TRUTHS as $each) {
            $log = SimulatedLog::of($each, $number('seed'), $number('shops'), $number('prints'));
            if (\is_string($input->getOption('table'))) {
                file_put_contents($input->getOption('table'), implode("\n", $log->table())."\n");
            }
            $lines = LogCsv::read($log->table())->lines;
            foreach (Success::cases() as $of) {
                $near = LearnedNearTruth::of(Retrospect::through($lines, $of, $number('every')), $log->true($of), $log->later(self::LEARNING));
                if (Success::Held === $of) {
                    $held[] = $near;
                }
                $output->writeln(\sprintf('%-16s %-9s %s', $each, $of->value, $near->words()));
            }
        }
        $output->writeln(\sprintf(
            'held, over all: %.2f had on the average; ranges hold %.1f %%',
            array_sum(array_map(static fn (LearnedNearTruth $near): float => $near->had(), $held)) / \count($held),
            100 * array_sum(array_map(static fn (LearnedNearTruth $near): float => $near->inRange, $held)) / \count($held),
        ));

        return self::SUCCESS;
    }
}
