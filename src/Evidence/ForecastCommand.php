<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Platform\FileLines;
use App\Platform\Words\Wording;
use Sitzplatz\Evidence\Learned\LearnedEffect;
use Sitzplatz\Evidence\Learned\LogCsv;
use Sitzplatz\Evidence\Learned\Retrospect;
use Sitzplatz\Evidence\Learned\Success;
use Sitzplatz\Statistics\ForecastScore;
use Sitzplatz\Statistics\LogisticNormal;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Goes through a log of prints and says of each what would have been said before it: so a shop tries it on its old log before it trusts it. */
#[AsCommand('sitzplatz:forecast', 'Says of each print of a log the chance before it, how good that was, and what was learned')]
final class ForecastCommand extends Command
{
    private const BAD_INPUT = 2;
    private const EVERY = 50;
    private const SHOWN = 12;
    /** An effect that is less sure differs by chance, standard deviations. */
    private const SURE = 1.5;

    public function __construct(private readonly Wording $wording)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'table with the columns of docs/formats.md');
        $this->addOption('every', null, InputOption::VALUE_REQUIRED, 'lines of a shop after which it learns again', (string) self::EVERY);
        $this->addOption('json', null, InputOption::VALUE_NONE, 'all figures as JSON');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $every = filter_var($input->getOption('every'), \FILTER_VALIDATE_INT, ['options' => ['min_range' => 1]]);
        if (false === $every) {
            $errors->writeln('--every has to be a whole number from 1 on.');

            return self::BAD_INPUT;
        }
        $lines = FileLines::of($input->getArgument('file'));
        if (null === $lines) {
            $errors->writeln('The file cannot be read: check its name.');

            return self::BAD_INPUT;
        }
        $log = LogCsv::read($lines);
        foreach ($log->remarks as $remark) {
            $errors->writeln($this->wording->english($remark), OutputInterface::OUTPUT_RAW);
        }
        foreach ($log->faults as $fault) {
            $errors->writeln(\sprintf('line %d: %s', $fault['line'], $this->wording->english($fault['message'])), OutputInterface::OUTPUT_RAW);
        }
        if ([] !== $log->faults) {
            return self::BAD_INPUT;
        }
        $held = Retrospect::through($log->lines, Success::Held, $every);
        $released = Retrospect::through($log->lines, Success::Released, $every);
        if (true === $input->getOption('json')) {
            $figures = json_encode(self::figures($held, $released), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);
            $output->writeln($figures, OutputInterface::OUTPUT_RAW);
        } else {
            foreach ([$held, $released] as $each) {
                self::tell($each, $output);
            }
        }

        return self::SUCCESS;
    }

    /** @return array<string, mixed> */
    private static function figures(Retrospect $held, Retrospect $released): array
    {
        $share = static fn (LogisticNormal $each): float => $each->share();
        $range = static fn (LogisticNormal $each): array => [$each->interval()->low, $each->interval()->high];

        return [
            'held' => array_map($share, $held->expected),
            'heldRange' => array_map($range, $held->expected),
            'released' => array_map($share, $released->expected),
            'releasedRange' => array_map($range, $released->expected),
            'scores' => ['held' => self::scores($held), 'released' => self::scores($released)],
            'effects' => ['held' => self::effects($held), 'released' => self::effects($released)],
        ];
    }

    /** @return array<string, array{n: int, brier: float, log: float, plainShareBrier: float}|null> */
    private static function scores(Retrospect $of): array
    {
        return array_map(static fn (?ForecastScore $score): ?array => null === $score ? null : [
            'n' => $score->n,
            'brier' => $score->brier,
            'log' => $score->log,
            'plainShareBrier' => $score->baseRateBrier,
        ], $of->scores());
    }

    /** @return list<array{shop: string, kind: string, name: string, worth: float, doubt: float, expected: float}> the surest first */
    private static function effects(Retrospect $of): array
    {
        $effects = [];
        foreach ($of->shops as $name => $shop) {
            foreach ($shop->effects() as $effect) {
                $effects[] = [(string) $name, $effect];
            }
        }
        usort($effects, static fn (array $a, array $b): int => $b[1]->surely() <=> $a[1]->surely());

        return array_map(static fn (array $each): array => [
            'shop' => $each[0],
            'kind' => $each[1]->kind->value ?? 'measure',
            'name' => self::name($each[1]),
            'worth' => $each[1]->worth,
            'doubt' => $each[1]->doubt,
            'expected' => $each[1]->expected,
        ], $effects);
    }

    private static function name(LearnedEffect $effect): string
    {
        return implode(' / ', array_filter(explode("\0", $effect->name), static fn (string $part): bool => '' !== $part));
    }

    private static function tell(Retrospect $of, OutputInterface $output): void
    {
        $scores = $of->scores();
        $output->writeln(Success::Held === $of->of ? 'Held' : 'Came off clean, of those that held');
        if (null === $scores['learned']) {
            $output->writeln('  nobody said of any print');

            return;
        }
        foreach (['learned' => 'what is learned', 'running' => 'a running share of each setup', 'practice' => 'practice alone'] as $key => $words) {
            $output->writeln(\sprintf('  %-30s Brier %.4f  log %.4f', $words, $scores[$key]->brier ?? 0.0, $scores[$key]->log ?? 0.0));
        }
        $learned = $scores['learned'];
        $plain = \sprintf('(%d prints, of which %.0f %% did)', $learned->n, 100 * $learned->share());
        $output->writeln(\sprintf('  %-30s Brier %.4f  %s', 'always the plain share', $learned->baseRateBrier, $plain));
        foreach ($learned->bins as $bin) {
            $between = \sprintf('%3.0f to %3.0f %%', 100 * $bin->low, 100 * $bin->high);
            $output->writeln(\sprintf('  %s  %6d prints  said %.3f  came true %.3f', $between, $bin->n, $bin->said, $bin->share()));
        }
        $output->writeln('  What differs from practice, surest first (steps on log-odds):');
        foreach (\array_slice(self::effects($of), 0, self::SHOWN) as $each) {
            $more = $each['worth'] - $each['expected'];
            if (abs($more) >= self::SURE * $each['doubt']) {
                $line = \sprintf('  %-10s %-8s %-40s %+.2f ± %.2f', $each['shop'], $each['kind'], $each['name'], $more, $each['doubt']);
                $output->writeln($line, OutputInterface::OUTPUT_RAW);
            }
        }
    }
}
