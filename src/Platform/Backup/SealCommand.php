<?php

declare(strict_types=1);

namespace App\Platform\Backup;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Proves or seals what comes in, or opens it again; for bin/backup and bin/restore. */
#[AsCommand('sitzplatz:seal', 'Encrypts the input with the key in a file, or opens it again; or only proves whose it is.')]
final class SealCommand extends Command
{
    protected function configure(): void
    {
        $this->addArgument('key', InputArgument::REQUIRED, 'A file with the key: a line of 20 characters at least.');
        $this->addOption('prove', null, InputOption::VALUE_NONE, 'Leave it readable, with a proof that nobody changed it.');
        $this->addOption('open', null, InputOption::VALUE_NONE, 'Open what is sealed or proven.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('key');
        $key = \is_string($file) ? @file_get_contents($file) : false;
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        if (false === $key) {
            $errors->writeln('There is no key that could be read.');

            return self::INVALID;
        }
        try {
            $key = BackupKey::of($key);
            match (true) {
                true === $input->getOption('open') => Seal::open(\STDIN, \STDOUT, $key),
                true === $input->getOption('prove') => Seal::prove(\STDIN, \STDOUT, $key),
                default => Seal::close(\STDIN, \STDOUT, $key),
            };
        } catch (BrokenSeal $e) {
            $errors->writeln($e->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
