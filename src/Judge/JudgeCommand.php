<?php

declare(strict_types=1);

namespace App\Judge;

use App\Platform\Words\Units;
use App\Platform\Words\Wording;
use Sitzplatz\Judge\ComparisonJudgement;
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
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $area = $input->getOption('contact-area');
        if (null !== $area && (!is_numeric($area) || (float) $area <= 0)) {
            $errors->writeln('--contact-area has to be a number of mm² greater than 0.');

            return self::BAD_INPUT;
        }
        $name = $input->getArgument('file');
        $file = \is_string($name) && is_file($name) && is_readable($name) ? new \SplFileObject($name) : null;
        if (null === $file) {
            $errors->writeln('The file cannot be read: check its name.');

            return self::BAD_INPUT;
        }
        $csv = ReadingsCsv::read(self::lines($file), $this->measures);
        if ([] !== $csv->faults) {
            foreach ($csv->faults as $fault) {
                $errors->writeln(\sprintf('line %d: %s', $fault['line'], $this->wording->english($fault['message'])), OutputInterface::OUTPUT_RAW);
            }

            return self::BAD_INPUT;
        }
        $contactArea = null === $area ? null : (float) $area;
        $result = ComparisonJudgement::of($csv->records(), known: $this->measures, methods: $this->methods)->toArray($contactArea);
        $result['measures'] = (object) $result['measures'];
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

    /** @return iterable<string> */
    private static function lines(\SplFileObject $file): iterable
    {
        while (!$file->eof()) {
            yield (string) $file->fgets();
        }
    }
}
