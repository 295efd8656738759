<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\User;
use App\Evidence\LearnedShop;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Yaml\Yaml;

/** Fills an empty database with the demo; all or nothing. */
#[AsCommand('sitzplatz:demo:load', 'Fills an empty database with the demo')]
final class DemoLoadCommand extends Command
{
    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly DemoShop $shop,
        private readonly DemoTests $tests,
        private readonly DemoYear $year,
        private readonly LearnedShop $learned,
        private readonly ClockInterface $clock,
        private readonly string $projectDir,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('once', null, InputOption::VALUE_NONE, 'say nothing if there is data already');
        $this->addOption('without-year', null, InputOption::VALUE_NONE, 'leave out the year of prints for use');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if ($this->entities->getRepository(User::class)->count() > 0) {
            if (!$input->getOption('once')) {
                $output->writeln('There is data already; nothing was changed.');
            }

            return self::SUCCESS;
        }
        $this->entities->wrapInTransaction(function () use ($input): void {
            /** @var array<string, mixed> $shop */
            $shop = Yaml::parseFile($this->projectDir.'/demo/shop.yaml');
            /** @var array<string, mixed> $tests */
            $tests = Yaml::parseFile($this->projectDir.'/demo/tests.yaml');
            $now = $this->clock->now()->setTimezone(new \DateTimeZone('UTC'));
            $this->shop->load($shop, $now);
            $this->tests->load($tests, $this->shop, $now);
            if ($input->getOption('without-year')) {
                $this->learned->learn();
            } else {
                /** @var array<string, mixed> $year */
                $year = Yaml::parseFile($this->projectDir.'/demo/year.yaml');
                $this->year->load($year, $this->shop, $now);
                /** @var array{printer: string} $printer */
                $printer = Yaml::parseFile($this->projectDir.'/demo/printer.yaml');
                $this->year->letReport($printer['printer']);
            }
        });
        $output->writeln('The demo is loaded: an observatory workshop with four printers.');

        return self::SUCCESS;
    }
}
