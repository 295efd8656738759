<?php

declare(strict_types=1);

namespace App\Demo;

use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\ForecastScore;
use Sitzplatz\Statistics\Sample;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Yaml\Yaml;

/** Draws the demo's year again and again from its truth, and says how near comes what would have been said of it. Nothing is kept. */
#[AsCommand('sitzplatz:demo:seeds', 'Says over many draws of the demo\'s year how near its forecasts come; the demo has to be loaded')]
final class DemoSeedsCommand extends Command
{
    private const SEEDS = '20';
    private const NAMES = ['learned', 'plain share', 'running share'];

    public function __construct(private readonly DemoShop $shop, private readonly DemoForetold $foretold, private readonly string $projectDir)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('seeds', null, InputOption::VALUE_REQUIRED, 'how many, from that of the demo on', self::SEEDS);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $this->shop->found();
        /** @var array<string, mixed> $year */
        $year = Yaml::parseFile($this->projectDir.'/demo/year.yaml');
        $seeds = $input->getOption('seeds');
        $better = [[], []];
        $output->writeln('seed    '.implode('  ', self::NAMES).'  (Brier, holding and letting go)');
        for ($i = 0; $i < (is_numeric($seeds) ? max(1, (int) $seeds) : 1); ++$i) {
            $briers = $this->briers($year, $year['seed'] + $i);
            $output->writeln(\sprintf('%d  %.4f  %.4f  %.4f', $year['seed'] + $i, ...$briers));
            $better[0][] = $briers[1] - $briers[0];
            $better[1][] = $briers[2] - $briers[0];
        }
        foreach ($better as $k => $by) {
            $sample = new Sample($by);
            $output->writeln(\sprintf(
                'nearer than the %s by %.4f, two standard errors %.4f',
                self::NAMES[$k + 1],
                $sample->mean ?? \NAN,
                2 * ($sample->sd ?? \NAN) / sqrt($sample->n),
            ));
        }

        return self::SUCCESS;
    }

    /**
     * @param array<string, mixed> $year
     *
     * @return array{float, float, float} as {@see NAMES}
     */
    private function briers(array $year, int $seed): array
    {
        $prints = DemoTruth::draw($year, $seed);
        $said = $this->foretold->through($year['recipes'], $prints, $this->shop);
        $learned = $running = $plain = [];
        $came = array_map(static fn (int $i): bool => $prints[$i]->answer->cameTrue(), array_keys($said->of));
        $share = array_sum($came) / max(1, \count($came));
        foreach ($came as $i => $true) {
            $learned[] = new Forecast($said->chances[$i], $true);
            $running[] = new Forecast($said->running[$i], $true);
            $plain[] = new Forecast($share, $true);
        }

        return array_map(static fn (array $forecasts): float => ForecastScore::of($forecasts)->brier ?? \NAN, [$learned, $plain, $running]);
    }
}
