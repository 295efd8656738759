<?php

declare(strict_types=1);

namespace App\Bench;

use App\Choose\Choosing;
use App\Choose\PartReading;
use Doctrine\DBAL\Connection;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\RunConditions;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Evidence\Learned\Answered;
use Sitzplatz\Evidence\Learned\Knowledge;
use Sitzplatz\Evidence\Learned\Levels;
use Sitzplatz\Evidence\Learned\LogCsv;
use Sitzplatz\Evidence\Learned\LogLine;
use Sitzplatz\Evidence\Learned\Posterior;
use Sitzplatz\Evidence\Learned\Shop;
use Sitzplatz\Evidence\Learned\Situation;
use Sitzplatz\Evidence\Learned\Spreads;
use Sitzplatz\Evidence\Learned\Success;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Judge\ComparisonJudgement;
use Sitzplatz\Judge\FurtherFigures;
use Sitzplatz\Judge\Outlook;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\SetupLabel;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Measures what the design promises and prints each figure beside its promise. */
#[AsCommand('sitzplatz:bench', 'Measures what the design promises')]
final class BenchCommand extends Command
{
    private ?Knowledge $learned = null;

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly ApiLoad $api,
        private readonly Connection $database,
        private readonly string $projectDir,
        private readonly int $appPort,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('seconds', null, InputOption::VALUE_REQUIRED, 'how long the API is asked at a steady rate', '10')
            ->addOption('volume', null, InputOption::VALUE_NONE, 'only the API, beside how much it has to answer from');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $row = static function (string $what, string $figure, string $promise) use ($output): void {
            $output->writeln(rtrim(\sprintf('%-64s %18s   %s', $what, $figure, '' === $promise ? '' : "(promised: $promise)")));
        };
        $seconds = $input->getOption('seconds');
        $api = function () use ($seconds, $row): void {
            $machine = static fn (string $when) => $row(
                "equal sums on the machine alone, $when: p95 ÷ quickest",
                \sprintf('%.2f ×', Evenness::measure()),
                '≤ '.Evenness::QUIET.' ×, or others are measured too',
            );
            $machine('before');
            $figures = $this->api->measure($this->appPort, is_numeric($seconds) ? (int) $seconds : 10);
            $machine('after');
            foreach ($figures as $what => [$figure, $promise]) {
                $row($what, $figure, $promise);
            }
        };
        if ($input->getOption('volume')) {
            $output->writeln($this->volume());
            $api();

            return self::SUCCESS;
        }
        $row('ranking 300 plate sides × 20 agents, median of 5', \sprintf('%.0f ms', $this->median(fn () => $this->rank())), '≤ 60 ms');
        $records = $this->records();
        $row(
            'judging 10 000 readings in 5 setups, median of 5',
            \sprintf('%.0f ms', $this->median(static function () use ($records): array {
                // The largest plan that the app takes; what goes beyond it only describes.
                $plan = new ProofPlan(new Limits(20, 12, Effort::Flex), Criterion::Mean, 0.8, 0, Design::Fixed, 60, 30, 30);
                foreach ($records as $record) {
                    Outlook::inPlan($record, $plan, SetupJudgement::of($record, $plan));
                }

                $judged = ComparisonJudgement::of($records);

                return [$judged->toArray(), FurtherFigures::of($judged, $records, 5.0)];
            })),
            '≤ 300 ms',
        );
        foreach ([
            'binary STL of 1 M facets' => ['≤ 2 s, ≤ 64 MB', static fn (string $path) => BigParts::slab($path, 500)],
            'G-code of 100 MB' => ['≤ 4 s, ≤ 64 MB', static fn (string $path) => BigParts::gcode($path, 100_000_000)],
        ] as $what => [$promise, $write]) {
            $row($what, self::reading($write), $promise);
        }
        $row('learning a shop from 20 000 prints; again after one more', self::learning(20_000), '≤ 15 s, ≤ 256 MB');
        $row('JavaScript of a signed-in Start, gzip', \sprintf('%.0f kB', $this->javaScriptKilobytes()), '≤ 150 kB');
        $api();

        return self::SUCCESS;
    }

    /** What there is to answer from. */
    private function volume(): string
    {
        $counts = [];
        foreach (['plate' => 'plates', 'profile' => 'profiles', 'run' => 'runs', 'audit_entry' => 'log entries'] as $table => $name) {
            $count = $this->database->fetchOne("SELECT COUNT(*) FROM $table");
            $counts[] = number_format(is_numeric($count) ? (int) $count : 0, 0, '.', ' ').' '.$name;
        }

        return 'At '.implode(', ', $counts).':';
    }

    /** @param \Closure(): mixed $work */
    private function median(\Closure $work): float
    {
        $times = [];
        for ($i = 0; $i < 5; ++$i) {
            $began = hrtime(true);
            $work();
            $times[] = (hrtime(true) - $began) / 1e6;
        }
        sort($times);

        return $times[2];
    }

    /** @param \Closure(string): void $write */
    private static function reading(\Closure $write): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'bench');
        try {
            $write($path);
            memory_reset_peak_usage();
            $began = hrtime(true);
            PartReading::toArray(PartReading::file($path));

            return \sprintf('%.1f s, %.0f MB', (hrtime(true) - $began) / 1e9, memory_get_peak_usage(true) / 1e6);
        } finally {
            unlink($path);
        }
    }

    private static function learning(int $prints): string
    {
        $lines = LogCsv::read(SimulatedLog::of('lots_and_epochs', 1, 1, $prints)->table())->lines;
        $answers = array_map(static fn (LogLine $line): Answered => new Answered($line->holding, true === $line->held), $lines);
        memory_reset_peak_usage();
        $began = hrtime(true);
        $shop = Shop::learn($answers, Spreads::usual());
        $learned = hrtime(true);
        Shop::learn([...$answers, $answers[0]], Spreads::usual(), $shop);
        $again = hrtime(true);

        return \sprintf('%.1f s, %.1f s, %.0f MB', ($learned - $began) / 1e9, ($again - $learned) / 1e9, memory_get_peak_usage(true) / 1e6);
    }

    /** A shop whose plates are all built as their kind is, every tenth of them measured on the printer. */
    private function rank(): Ranking
    {
        $layer = fn (string $of, float $mm, float $contact = 0.0): Layer => new Layer($this->catalogue->layer($of), $mm, $contact);
        $surfaces = array_keys($this->catalogue->surfaces);
        $agents = array_keys($this->catalogue->agents);
        $sides = $runs = $answers = [];
        for ($i = 0; $i < 300; ++$i) {
            $surface = $surfaces[$i % \count($surfaces)];
            $layers = array_map(
                static fn (array $l, int $at): Layer => $layer($l[0], $l[1], 0 === $at ? Layer::DRY_CONTACT_M2KW : 0.0),
                $this->catalogue->surface($surface)->plate,
                array_keys($this->catalogue->surface($surface)->plate),
            );
            $measured = 0 === $i % 10 ? new MeasuredSurface(80, 72 + $i / 100, 20, '') : null;
            $sides[] = new SideFacts(
                "s$i",
                "p$i",
                "P$i front",
                $surface,
                250,
                210,
                HoldDown::Magnet,
                layers: $layers,
                costPerPrint: 0.05,
                measured: $measured,
                sheetId: "f$i",
            );
            $runs[] = new OwnRuns("s$i", $surface, null, new RunConditions(60, 'printer'), 8, 7, 4, 4);
            $levels = Levels::ofJob('petg', 'printer', '', 'l'.$i % 40, Levels::USE) + Levels::ofSurface($surface) + Levels::ofSide('petg', "s$i", "f$i");
            foreach (range(1, 8) as $n) {
                $treated = Levels::ofTreatment('petg', $surface, 0 === $n % 2 ? $agents[$n % \count($agents)] : null, false);
                $answers[] = new Answered(new Situation(2.0, Situation::size($n, 30.0 * $n), $levels + $treated), 1 !== $n);
            }
        }
        $twenty = array_map(static fn (int $i): AgentFacts => new AgentFacts($agents[$i % \count($agents)], 'Agent '.$i, 0.1), range(0, 19));
        $printer = new PrinterFacts('printer', 'Bench', true, 250, 210, 120, 300, true, 120, heaterW: 300, bed: [$layer('aluminium', 3)]);

        $known = static fn (Success $of): Posterior => Posterior::kept(
            Shop::learn($answers, Spreads::usual($of))->known(static fn (): bool => true)->packed(),
        );
        $this->learned ??= new Knowledge($known(Success::Held), $known(Success::Released));

        return Ranking::of(
            $this->catalogue,
            new JobRequest($this->catalogue->material('petg'), $printer, 20, part: new PartFacts(752, 210, 100, 8, 15, 2, 2)),
            $sides,
            $twenty,
            new Experience($runs, [], $this->learned),
            Choosing::SHOWN,
        );
    }

    /** @return list<SetupRecord> */
    private function records(): array
    {
        $records = [];
        for ($setup = 0; $setup < 5; ++$setup) {
            $runs = [];
            for ($i = 0; $i < 1000; ++$i) {
                // Any smooth spread will do: the cost does not depend on the values.
                $runs[] = [
                    new Reading(Measure::Held, 1),
                    new Reading(0 === $i % 2 ? Measure::PullHot : Measure::PullCold, 30 + $setup + 4 * sin($i * 12.9898)),
                ];
            }
            $records[] = new SetupRecord(SetupLabel::at($setup), $runs);
        }

        return $records;
    }

    private function javaScriptKilobytes(): float
    {
        $manifest = json_decode((string) @file_get_contents($this->projectDir.'/public/build/.vite/manifest.json'), true);
        $bytes = 0;
        // What is loaded at first loads the app, and that the page.
        $wanted = ['src/main.tsx' => true, 'src/app.tsx' => true, 'src/shell/Start.tsx' => true];
        for ($i = 0; \is_array($manifest) && $i < \count($wanted); ++$i) {
            $entry = $manifest[array_keys($wanted)[$i]] ?? throw new \LogicException('The build has no '.array_keys($wanted)[$i].'.');
            $bytes += \strlen((string) gzencode((string) @file_get_contents($this->projectDir.'/public/build/'.$entry['file']), 6));
            $wanted += array_fill_keys($entry['imports'] ?? [], true);
        }

        return $bytes / 1024;
    }
}
