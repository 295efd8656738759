<?php

declare(strict_types=1);

namespace App\Judge;

use Sitzplatz\Judge\Scatter;
use Sitzplatz\Judge\SimulatedCell;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * Judges setups whose truth is known and counts how often the verdict is wrong; docs/statistics.md has its tables.
 *
 * @phpstan-type Row array{
 *     criterion: string, question: string, rule: ?string, runs: int, max_runs: int, truth: float, data: ?string, looks: bool, adaptive: bool,
 *     claimed: bool, yes: float, false_yes: float, false_no: float, not_yet: float, mean_runs: float,
 * }
 */
#[AsCommand('sitzplatz:simulate-verdicts', 'Counts by simulation how often a verdict is wrong, and how many runs it takes')]
final class SimulateVerdictsCommand extends Command
{
    private const RUNS = [3, 5, 8, 11, 16, 24];
    /** Of counted runs: the true share less the required one. */
    private const SHARES = [-0.19, 0.0, 0.095, 0.19, 0.2];
    private const PROCESSES = 2;
    private const BAD_INPUT = 2;

    protected function configure(): void
    {
        $this->addOption('replicates', null, InputOption::VALUE_REQUIRED, 'setups to judge in each cell', '1000');
        $this->addOption('seed', null, InputOption::VALUE_REQUIRED, 'the same seed gives the same table', '1');
        $this->addOption('criterion', null, InputOption::VALUE_REQUIRED, 'only '.self::criteria());
        $this->addOption('runs', null, InputOption::VALUE_REQUIRED, 'only plans of so many runs of a setup: '.implode(', ', self::RUNS));
        $this->addOption('json', null, InputOption::VALUE_NONE, 'print the cells as JSON');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $options = [];
        foreach (['replicates' => 10_000_000, 'seed' => \PHP_INT_MAX, 'runs' => 200] as $name => $most) {
            $given = $input->getOption($name);
            $options[$name] = null === $given ? null : filter_var(
                $given,
                \FILTER_VALIDATE_INT,
                ['options' => ['min_range' => 'seed' === $name ? 0 : 1, 'max_range' => $most]],
            );
            if (false === $options[$name]) {
                $errors->writeln("--$name has to be a whole number up to $most.");

                return self::BAD_INPUT;
            }
        }
        $criterion = $input->getOption('criterion');
        $criteria = null === $criterion ? Criterion::cases() : array_filter([Criterion::tryFrom(\is_string($criterion) ? $criterion : '')]);
        if ([] === $criteria) {
            $errors->writeln('--criterion has to be '.self::criteria().'.');

            return self::BAD_INPUT;
        }
        if (null !== $options['runs'] && $options['runs'] < 3) {
            $errors->writeln('--runs has to be 3 at least: fewer pulls have no bound.');

            return self::BAD_INPUT;
        }
        $cells = [];
        foreach ($criteria as $each) {
            foreach (null === $options['runs'] ? self::RUNS : [$options['runs']] as $runs) {
                $cells = [...$cells, ...self::cells($each, $runs)];
            }
        }
        $rows = self::inParallel($cells, (int) $options['replicates'], (int) $options['seed']);
        if ($input->getOption('json')) {
            $output->writeln(json_encode(
                ['replicates' => $options['replicates'], 'seed' => $options['seed'], 'cells' => $rows],
                \JSON_PRETTY_PRINT | \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION,
            ), OutputInterface::OUTPUT_RAW);
        } else {
            $this->table($rows, $output);
        }

        return self::SUCCESS;
    }

    private static function criteria(): string
    {
        return implode(', ', array_column(Criterion::cases(), 'value'));
    }

    /** @return list<SimulatedCell> */
    private static function cells(Criterion $criterion, int $runs): array
    {
        $truths = self::SHARES;
        if (Criterion::Counts !== $criterion) {
            $distance = SimulatedCell::distanceForPower($criterion, $runs);
            $truths = [-$distance, 0.0, $distance / 2, $distance, 2 * $distance];
        }
        $cells = [];
        foreach ([true, false] as $hold) {
            foreach (Criterion::Counts === $criterion ? [null] : Scatter::cases() as $scatter) {
                foreach ($truths as $truth) {
                    $atLimit = abs($truth) < 1e-12;
                    // Away from the limit it is about power: a normal law and one question say it.
                    if (!$atLimit && (!$hold || null !== $scatter && Scatter::Normal !== $scatter)) {
                        continue;
                    }
                    $cells[] = new SimulatedCell($criterion, $runs, $truth, $scatter, false, Design::Fixed, $hold);
                    $cells[] = new SimulatedCell($criterion, $runs, $truth, $scatter, true, Design::Adaptive, $hold);
                }
            }
        }

        return $cells;
    }

    /**
     * The cells in turn among a few processes; each has a seed of its own, so that the table does not depend on who does what.
     *
     * @param list<SimulatedCell> $cells
     *
     * @return list<Row>
     */
    private static function inParallel(array $cells, int $replicates, int $seed): array
    {
        $rows = $pipes = [];
        for ($process = 1; $process < self::PROCESSES && \function_exists('pcntl_fork'); ++$process) {
            $pair = stream_socket_pair(\STREAM_PF_UNIX, \STREAM_SOCK_STREAM, \STREAM_IPPROTO_IP);
            if (false === $pair) {
                break;
            }
            $child = pcntl_fork();
            if (0 === $child) {
                fwrite(
                    $pair[1],
                    json_encode(self::every($cells, $process, self::PROCESSES, $replicates, $seed), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION),
                );
                fclose($pair[1]);
                // Nothing of the parent (open connections, buffers) is to be closed by its copy.
                posix_kill(posix_getpid(), \SIGKILL);
            }
            if ($child < 0) {
                break;
            }
            fclose($pair[1]);
            $pipes[$process] = [$pair[0], $child];
        }
        for ($process = 0; $process < self::PROCESSES; ++$process) {
            if (!isset($pipes[$process])) {
                $rows += self::every($cells, $process, self::PROCESSES, $replicates, $seed);
            }
        }
        foreach ($pipes as [$pipe, $child]) {
            /** @var array<int, Row> $done */
            $done = json_decode((string) stream_get_contents($pipe), true, flags: \JSON_THROW_ON_ERROR);
            $rows += $done;
            pcntl_waitpid($child, $status);
        }
        ksort($rows);

        return array_values($rows);
    }

    /**
     * @param list<SimulatedCell> $cells
     *
     * @return array<int, Row> by place
     */
    private static function every(array $cells, int $first, int $step, int $replicates, int $seed): array
    {
        $rows = [];
        for ($i = $first; $i < \count($cells); $i += $step) {
            $cell = $cells[$i];
            $rows[$i] = [
                'criterion' => $cell->criterion->value,
                'question' => $cell->hold ? 'hold' : 'release',
                'rule' => $cell->rule()?->value,
                'runs' => $cell->runs,
                'max_runs' => $cell->mostRuns(),
                'truth' => $cell->truth,
                'data' => $cell->scatter?->value,
                'looks' => $cell->looks,
                'adaptive' => Design::Adaptive === $cell->design,
                'claimed' => $cell->claimed(),
                ...$cell->simulate(
                    $replicates,
                    crc32("$seed/{$cell->criterion->value}/$cell->hold/$cell->runs/$cell->truth/{$cell->scatter?->value}/{$cell->design->value}"),
                ),
            ];
        }

        return $rows;
    }

    /** @param list<Row> $rows */
    private function table(array $rows, OutputInterface $output): void
    {
        $output->writeln(
            'criterion      question runs most   truth data         looks adaptive claimed     yes  false+  false-  not yet  mean runs',
            OutputInterface::OUTPUT_RAW,
        );
        foreach ($rows as $row) {
            $output->writeln(\sprintf(
                '%-14s %-8s %4d %4d %7.3f %-12s %-5s %-8s %-7s %7.4f %7.4f %7.4f %8.4f %10.2f',
                $row['criterion'],
                $row['question'],
                $row['runs'],
                $row['max_runs'],
                $row['truth'],
                $row['data'] ?? '-',
                $row['looks'] ? 'yes' : 'no',
                $row['adaptive'] ? 'yes' : 'no',
                $row['claimed'] ? 'yes' : 'no',
                $row['yes'],
                $row['false_yes'],
                $row['false_no'],
                $row['not_yet'],
                $row['mean_runs'],
            ), OutputInterface::OUTPUT_RAW);
        }
    }
}
