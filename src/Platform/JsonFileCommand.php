<?php

declare(strict_types=1);

namespace App\Platform;

use App\Platform\Http\Problem;
use App\Platform\Words\Units;
use App\Platform\Words\Wording;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Takes one file and prints one JSON document; on bad input a line for each fault on standard error, and exit code 2. */
abstract class JsonFileCommand extends Command
{
    private const BAD_INPUT = 2;

    public function __construct(private readonly Wording $wording)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'the file');
        $this->addOption('units', null, InputOption::VALUE_REQUIRED, 'units to say figures in, such as F,lbf,in; SI without');
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Problem
     */
    abstract protected function answer(string $path): array;

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $path = $input->getArgument('file');
        if (!\is_string($path) || !is_file($path) || !is_readable($path)) {
            $errors->writeln('The file cannot be read: check its name.');

            return self::BAD_INPUT;
        }
        $units = Units::named(\is_string($input->getOption('units')) ? $input->getOption('units') : '');
        if (null === $units) {
            $errors->writeln('--units takes C or F, N, kgf or lbf, mm or in, with commas between them.');

            return self::BAD_INPUT;
        }
        try {
            $answer = $this->wording->wordsIn($this->answer($path), $units);
        } catch (Problem $problem) {
            foreach ([] === $problem->errors ? [['field' => '', 'message' => $problem->detail]] : $problem->errors as $error) {
                $errors->writeln(
                    ('' === $error['field'] ? '' : $error['field'].': ').$this->wording->wordsIn($error['message'], $units),
                    OutputInterface::OUTPUT_RAW,
                );
            }

            return self::BAD_INPUT;
        }
        $precision = ini_set('serialize_precision', '-1');
        $output->writeln(
            json_encode($answer, \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR),
            OutputInterface::OUTPUT_RAW,
        );
        ini_set('serialize_precision', (string) $precision);

        return self::SUCCESS;
    }
}
