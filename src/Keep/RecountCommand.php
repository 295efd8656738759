<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Words\Wording;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Names the validated profiles whose evidence is counted otherwise now, and puts them in question. */
#[AsCommand('sitzplatz:recount-profiles', 'Names validated profiles that their runs do not carry by the rules of today, and puts them in question')]
final class RecountCommand extends Command
{
    public function __construct(private readonly EvidenceRecount $recount, private readonly EntityManagerInterface $entities, private readonly Wording $wording)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('list', null, InputOption::VALUE_NONE, 'only name them');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $keep = !$input->getOption('list');
        $found = $this->recount->all($keep);
        if ($keep) {
            $this->entities->flush();
        }
        foreach ($found as ['profile' => $profile, 'missing' => $missing]) {
            $output->writeln(\sprintf('%s  revision %d, %s', $profile->id->toRfc4122(), $profile->revision, $profile->title), OutputInterface::OUTPUT_RAW);
            foreach ($missing as $sentence) {
                $output->writeln('    '.$this->wording->english($sentence), OutputInterface::OUTPUT_RAW);
            }
        }
        $output->writeln([] === $found
            ? 'All validated profiles are carried by their runs.'
            : \sprintf('%d validated profiles are not carried by their runs%s.', \count($found), $keep ? ' and are in question now' : ''));

        return self::SUCCESS;
    }
}
