<?php

declare(strict_types=1);

namespace App\Platform\Backup;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Makes the key of the backups where there is none, and has the app know which one it is; for bin/start and bin/backup. */
#[AsCommand('sitzplatz:backup:key', 'Has the app know the key of its backups, and makes one if there is none.')]
final class KeyCommand extends Command
{
    public function __construct(private readonly KnownKey $known)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'Where it lies.');
        $this->addOption('chosen', null, InputOption::VALUE_NONE, 'Somebody chose it: it is known to be kept elsewhere, and never made.');
        $this->addOption('show', null, InputOption::VALUE_NONE, 'Only print it, as it is written down.');
        $this->addOption('fingerprint', null, InputOption::VALUE_NONE, 'Only print which one it is.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        $chosen = true === $input->getOption('chosen');
        if (!\is_string($file)) {
            return self::INVALID;
        }
        if (!$chosen && !file_exists($file)) {
            $made = "$file.".bin2hex(random_bytes(4));
            touch($made);
            chmod($made, 0o600);
            file_put_contents($made, BackupKey::fresh()->inGroups()."\n", \LOCK_EX);
            rename($made, $file);
        }
        try {
            $key = BackupKey::of((string) @file_get_contents($file));
        } catch (BrokenSeal $e) {
            $output->writeln("$file: {$e->getMessage()}");

            return self::FAILURE;
        }
        if (true === $input->getOption('show')) {
            $output->writeln($key->inGroups());
        } elseif (true === $input->getOption('fingerprint')) {
            $output->writeln($key->fingerprint());
        } else {
            $this->known->meet($key, $chosen);
        }

        return self::SUCCESS;
    }
}
