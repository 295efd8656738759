<?php

declare(strict_types=1);

namespace App\Judge;

use App\Platform\FileLines;
use App\Platform\Words\Units;
use App\Platform\Words\Wording;
use Sitzplatz\Judge\ComparisonJudgement;
use Sitzplatz\Judge\FurtherFigures;
use Sitzplatz\Judge\Method\Methods;
use Sitzplatz\Judge\ReadingsCsv;
use Sitzplatz\Test\Measures;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Judges a CSV table of readings and prints the figures as JSON; see docs/formats.md. */
#[AsCommand('sitzplatz:judge', 'Judges a CSV table of readings and prints the figures as JSON')]
final class JudgeCommand extends Command
{
    private const BAD_INPUT = 2;

    public function __construct(private readonly Wording $wording, private readonly Measures $measures, private readonly Methods $methods)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'table with the header setup,run,measure,value,unit,status');
        $this->addOption('contact-area', null, InputOption::VALUE_REQUIRED, 'contact area of the test piece in mm²: adds the mean stress of each pull in MPa');
        $this->addOption('margin', null, InputOption::VALUE_REQUIRED, 'says of each pair of means whether they differ by less, in the unit of the measure');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $area = $input->getOption('contact-area');
        if (null !== $area && !self::above0($area)) {
            $errors->writeln('--contact-area has to be a number of mm² greater than 0.');

            return self::BAD_INPUT;
        }
        $margin = $input->getOption('margin');
        if (null !== $margin && !self::above0($margin)) {
            $errors->writeln('--margin has to be a number greater than 0.');

            return self::BAD_INPUT;
        }
        $lines = FileLines::of($input->getArgument('file'));
        if (null === $lines) {
            $errors->writeln('The file cannot be read: check its name.');

            return self::BAD_INPUT;
        }
        $csv = ReadingsCsv::read($lines, $this->measures);
        if ([] !== $csv->faults) {
            foreach ($csv->faults as $fault) {
                $errors->writeln(\sprintf('line %d: %s', $fault['line'], $this->wording->english($fault['message'])), OutputInterface::OUTPUT_RAW);
            }

            return self::BAD_INPUT;
        }
        $contactArea = null === $area ? null : (float) $area;
        $records = $csv->records();
        $judged = ComparisonJudgement::of($records, known: $this->measures, methods: $this->methods);
        $further = FurtherFigures::of($judged, $records, null === $margin ? null : (float) $margin);
        $result = $judged->toArray($contactArea);
        foreach ($further['measures'] as $measure => $figures) {
            $result['measures'][$measure] = [...$result['measures'][$measure], ...$figures];
        }
        $result['measures'] = (object) $result['measures'];
        $result['held'] = [...$result['held'], ...$further['held']];
        $result['effort'] = $further['effort'];
        // A table does not say whether it was looked at before.
        $result['figures'] = 'descriptive';
        $precision = ini_set('serialize_precision', '-1');
        $output->writeln(
            json_encode(
                $this->wording->wordsIn($result, new Units()),
                \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR,
            ),
            OutputInterface::OUTPUT_RAW,
        );
        ini_set('serialize_precision', (string) $precision);

        return self::SUCCESS;
    }

    private static function above0(mixed $figure): bool
    {
        return is_numeric($figure) && (float) $figure > 0 && is_finite((float) $figure);
    }
}
