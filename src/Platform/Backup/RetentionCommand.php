<?php

declare(strict_types=1);

namespace App\Platform\Backup;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Removes the backups that need not stay; for bin/backup. */
#[AsCommand('sitzplatz:backup:retain', 'Keeps the last backup of seven days and four weeks within their room, and removes the rest.')]
final class RetentionCommand extends Command
{
    private const NAME = '/^sitzplatz-(\d{8}T\d{6}Z)\.(backup|sealed)$/';

    protected function configure(): void
    {
        $this->addArgument('folder', InputArgument::REQUIRED, 'Where the backups lie.');
        $this->addArgument('megabytes', InputArgument::REQUIRED, 'How much room they may take.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $folder = $input->getArgument('folder');
        $megabytes = $input->getArgument('megabytes');
        if (!\is_string($folder) || !is_dir($folder) || !is_numeric($megabytes)) {
            return self::INVALID;
        }
        $backups = [];
        foreach (scandir($folder) ?: [] as $name) {
            if (1 === preg_match(self::NAME, $name, $m)) {
                $at = \DateTimeImmutable::createFromFormat('Ymd\THis\Z', $m[1], new \DateTimeZone('UTC'));
                $at && $backups[$name] = ['at' => $at, 'bytes' => (int) filesize("$folder/$name")];
            }
        }
        foreach (Retention::superfluous($backups, (int) ((float) $megabytes * 1_048_576)) as $name) {
            $output->writeln("Removed $name");
            unlink("$folder/$name");
            @unlink("$folder/$name.sha256");
        }

        return self::SUCCESS;
    }
}
