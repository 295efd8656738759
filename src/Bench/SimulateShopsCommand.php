<?php

declare(strict_types=1);

namespace App\Bench;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Says what becomes of what Choose says, in shops whose truths it does not know. */
#[AsCommand('sitzplatz:simulate-shops', 'Holds what is said in simulated shops against what comes of it')]
final class SimulateShopsCommand extends Command
{
    protected function configure(): void
    {
        $this->addOption('shops', null, InputOption::VALUE_REQUIRED, 'how many', '200');
        $this->addOption('seed', null, InputOption::VALUE_REQUIRED, 'of all that is drawn', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $number = static fn (string $name): int => is_numeric($input->getOption($name)) ? (int) $input->getOption($name) : 0;
        ['said' => $said, 'practice' => $practice] = (new SimulatedShops($number('seed')))->run(max(1, $number('shops')));
        foreach ($said->bins as $bin) {
            $output->writeln(\sprintf(
                '%2.0f to %3.0f %%  %6d prints  said %.3f  came true %.3f  %+.3f',
                100 * $bin->low,
                100 * $bin->high,
                $bin->n,
                $bin->said,
                $bin->share(),
                $bin->share() - $bin->said,
            ));
        }
        $output->writeln(\sprintf('Brier %.4f; always the plain share %.4f; practice alone %.4f', $said->brier, $said->baseRateBrier, $practice->brier));

        return self::SUCCESS;
    }
}
