<?php

declare(strict_types=1);

namespace App\Bench;

use App\Account\SignIn;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Lets several people write the same thing at once, on every kind of object, in a running demo: no double, no silent
 * overwrite, no fault of ours may come of it. It changes the demo it runs against.
 */
#[AsCommand('sitzplatz:writers', 'Lets eight writers at everything at once in a running demo, and looks for doubles and lost changes')]
final class WritersCommand extends Command
{
    private int $writers = 8;
    private int $faults = 0;

    public function __construct(private readonly int $appPort)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('url', null, InputOption::VALUE_REQUIRED, 'where the demo runs');
        $this->addOption('writers', null, InputOption::VALUE_REQUIRED, 'how many write at once', '8');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $url = $input->getOption('url');
        $this->writers = max(2, is_numeric($input->getOption('writers')) ? (int) $input->getOption('writers') : 8);
        $client = new DemoClient(\is_string($url) ? $url : "http://127.0.0.1:{$this->appPort}");
        if (!$client->signIn('lead')) {
            $output->writeln('The demo does not run there.');

            return self::FAILURE;
        }
        $say = function (string $what, bool $good, string $seen) use ($output): void {
            $this->faults += $good ? 0 : 1;
            $output->writeln(\sprintf('%s  %-58s %s', $good ? 'good ' : 'FAULT', $what, $seen));
        };
        $this->shelf($client, $say);
        $this->starts($client, $say);
        $this->runs($client, $say);
        $this->profiles($client, $say);
        $output->writeln(0 === $this->faults ? 'No double, no lost change, no fault.' : "{$this->faults} faults.");

        return 0 === $this->faults ? self::SUCCESS : self::FAILURE;
    }

    /** @param \Closure(string, bool, string): void $say */
    private function shelf(DemoClient $client, \Closure $say): void
    {
        foreach (['plates' => ['note'], 'printers' => ['holdDown'], 'lots' => ['note'], 'agents' => ['batch'], 'gauges' => ['name']] as $kind => [$member]) {
            $row = self::row($client->ask('GET', "/api/$kind")['body'][0] ?? []);
            $body = array_diff_key($row, array_flip(['id', 'sides', 'simulated', 'fitting']));
            $requests = [];
            for ($i = 0; $i < $this->writers; ++$i) {
                $requests[] = ['PUT', "/api/$kind/{$row['id']}", [$member => "written by $i"] + $body];
            }
            $answers = $client->together($requests, $this->writers);
            $won = array_keys(array_filter($answers, static fn (array $a): bool => 200 === $a['status']));
            $now = self::row(array_values(array_filter(
                $client->ask('GET', "/api/$kind")['body'],
                static fn (mixed $r): bool => \is_array($r) && $r['id'] === $row['id'],
            ))[0] ?? []);
            $say(
                "one version of $kind, changed by all",
                1 === \count($won) && "written by {$won[0]}" === $now[$member] && $row['version'] + 1 === $now['version'],
                self::statuses($answers),
            );
        }
        $key = Uuid::v7()->toRfc4122();
        $lot = ['id' => $key, 'label' => 'W-'.substr($key, -6), 'materialId' => 'pla', 'name' => 'Writers', 'driedOn' => null, 'note' => ''];
        $answers = $client->together(array_fill(0, $this->writers, ['POST', '/api/lots', $lot]), $this->writers);
        $found = $client->ask('GET', '/api/lots?find='.$lot['label'])['body'];
        $there = \count(array_filter($found, static fn (mixed $r): bool => \is_array($r) && $r['label'] === $lot['label']));
        $say('one lot, sent by all with its key', 1 === $there && self::only($answers, [200, 201]), self::statuses($answers));
        $side = self::row(self::row(\array_slice($client->ask('GET', '/api/plates')['body'], -1)[0] ?? [])['sides'][0] ?? [])['id'];
        $sheet = ['id' => Uuid::v7()->toRfc4122(), 'surfaceId' => 'pei_smooth', 'surfaceLot' => 'writers', 'limitC' => null];
        $answers = $client->together(array_fill(0, $this->writers, ['POST', "/api/plate-sides/$side/fittings", $sheet]), $this->writers);
        $say('one new sheet, sent by all with its key', 1 === self::count($answers, 201) && self::only($answers, [200, 201]), self::statuses($answers));
        $printer = self::row($client->ask('GET', '/api/printers')['body'][0] ?? [])['id'];
        $tokens = $client->together(array_fill(0, $this->writers, ['POST', "/api/printers/$printer/token", []]), $this->writers);
        $stood = self::row($client->ask('POST', "/api/printers/$printer/token/withdraw", [])['body'])['withdrawn'] ?? null;
        $say('one printer, a token made by all: one stands', 1 === $stood && self::only($tokens, [201]), self::statuses($tokens));
        $settings = $client->ask('GET', '/api/settings')['body'];
        $answers = $client->together(
            array_map(
                static fn (int $i): array => ['PUT', '/api/settings', ['voidAfterHours' => 12 + $i] + self::row($settings)],
                range(0, $this->writers - 1),
            ),
            $this->writers,
        );
        $say('the settings, changed by all', 1 === self::count($answers, 200) && self::only($answers, [200, 409]), self::statuses($answers));
    }

    /** @param \Closure(string, bool, string): void $say */
    private function starts(DemoClient $client, \Closure $say): void
    {
        $ids = [];
        for ($i = 0; $i < $this->writers; ++$i) {
            $ids[] = $this->draft($client, "Writers $i");
        }
        $answers = $client->together(
            array_map(static fn (string $id): array => ['POST', "/api/comparisons/$id/start", ['version' => 1]], $ids),
            $this->writers,
        );
        $say('as many comparisons, started at once', $this->writers === self::count($answers, 200), self::statuses($answers));
        $id = $this->draft($client, 'Writers at one');
        $answers = $client->together(array_fill(0, $this->writers, ['POST', "/api/comparisons/$id/start", ['version' => 1]]), $this->writers);
        $started = self::row($client->ask('GET', "/api/comparisons/$id")['body']);
        $say('one comparison, started by all', 1 === self::count($answers, 200) && 24 === \count($started['runs']), self::statuses($answers));
        $add = static fn (): array => [
            'POST',
            "/api/comparisons/$id/runs",
            ['id' => Uuid::v7()->toRfc4122(), 'version' => $started['version'], 'setupId' => $started['setups'][0]['id'], 'count' => 3, 'pull' => 'both'],
        ];
        $answers = $client->together(array_map($add, range(1, $this->writers)), $this->writers);
        $now = self::row($client->ask('GET', "/api/comparisons/$id")['body']);
        $say('one version, more runs asked by all', 1 === self::count($answers, 200) && 27 === \count($now['runs']), self::statuses($answers));
        $same = ['version' => $now['version']] + $add()[2];
        $answers = $client->together(array_fill(0, $this->writers, ['POST', "/api/comparisons/$id/runs", $same]), $this->writers);
        $now = self::row($client->ask('GET', "/api/comparisons/$id")['body']);
        $say('one key, more runs sent by all', $this->writers === self::count($answers, 200) && 30 === \count($now['runs']), self::statuses($answers));
    }

    /** @param \Closure(string, bool, string): void $say */
    private function runs(DemoClient $client, \Closure $say): void
    {
        $id = $this->draft($client, 'Writers at the runs');
        $started = self::row($client->ask('POST', "/api/comparisons/$id/start", ['version' => 1])['body']);
        $hot = array_values(array_filter($started['runs'], static fn (array $r): bool => 'hot' === $r['pull']));
        $run = $hot[0]['id'];
        $answers = $client->together(
            array_map(
                static fn (array $r): array => ['POST', "/api/runs/{$r['id']}/step", ['version' => 1, 'step' => 'heat_and_soak']],
                \array_slice($hot, 0, $this->writers),
            ),
            $this->writers,
        );
        $say('as many runs, heating one printer', 1 === self::count($answers, 200) && self::only($answers, [200, 409]), self::statuses($answers));
        foreach (\array_slice($hot, 0, $this->writers) as $each) {
            $now = self::row($client->ask('GET', "/api/runs/{$each['id']}")['body']);
            $client->ask('POST', "/api/runs/{$each['id']}/leave-printer", ['version' => $now['run']['version'], 'reason' => 'writers are done']);
        }
        $version = self::row($client->ask('GET', "/api/runs/$run")['body'])['run']['version'];
        $answers = $client->together(
            array_fill(0, $this->writers, ['POST', "/api/runs/$run/step", ['version' => $version, 'step' => 'first_layer']]),
            $this->writers,
        );
        $say('one run, moved by all', 1 === self::count($answers, 200) && self::only($answers, [200, 409]), self::statuses($answers));
        $version = self::row($client->ask('GET', "/api/runs/$run")['body'])['run']['version'];
        $client->ask('POST', "/api/runs/$run/outcome", ['version' => $version, 'outcome' => 'held', 'note' => '']);
        $same = ['POST', "/api/runs/$run/readings", ['id' => Uuid::v7()->toRfc4122(), 'measure' => 'lift', 'value' => 0.1, 'unit' => 'mm', 'atLeast' => false]];
        $answers = $client->together(array_fill(0, $this->writers, $same), $this->writers);
        $say('one reading, sent by all with its key', 1 === self::count($answers, 201) && self::only($answers, [200, 201]), self::statuses($answers));
        $pulls = array_map(
            static fn (int $i): array => [
                'POST',
                "/api/runs/$run/readings",
                ['id' => Uuid::v7()->toRfc4122(), 'measure' => 'pull_hot', 'value' => 20 + $i, 'unit' => 'N', 'atLeast' => false],
            ],
            range(1, 5 * $this->writers),
        );
        $answers = $client->together($pulls, $this->writers);
        $sheet = self::row($client->ask('GET', "/api/runs/$run")['body']);
        $of = static fn (bool $standing): int => \count(array_filter(
            $sheet['readings'],
            static fn (array $r): bool => 'pull_hot' === $r['measure'] && (!$standing || $r['stands']),
        ));
        $say(
            'one measure, typed five times by each',
            1 === $of(true) && \count($pulls) === $of(false) + \count($pulls) - self::count($answers, 201) && self::only($answers, [201, 409]),
            self::statuses($answers).", {$of(true)} stands of {$of(false)}",
        );
        $finish = ['POST', "/api/runs/$run/finish", ['version' => $sheet['run']['version']]];
        $late = ['POST', "/api/runs/$run/readings", ['measure' => 'lift', 'value' => 0.1, 'unit' => 'mm', 'atLeast' => false]];
        $answers = $client->together(array_merge(...array_fill(0, $this->writers, [$finish, $late])), $this->writers);
        // A reading moves the version, and then the finish rests on an older one: it is sent again on the newest.
        $client->ask('POST', "/api/runs/$run/finish", ['version' => self::row($client->ask('GET', "/api/runs/$run")['body'])['run']['version']]);
        $before = \count(self::row($client->ask('GET', "/api/runs/$run")['body'])['readings']);
        $tooLate = $client->together(array_fill(0, $this->writers, $late), $this->writers);
        $done = self::row($client->ask('GET', "/api/runs/$run")['body']);
        $good = 'done' === $done['run']['status']
            && $before === \count($done['readings'])
            && self::only($answers, [200, 201, 409])
            && self::only($tooLate, [409]);
        $say('one run, finished by all while readings come in', $good, self::statuses($answers).', then '.self::statuses($tooLate));
        $this->closing($client, $say, $id);
    }

    /**
     * Closes a comparison while readings of its open runs are typed and its done runs are amended.
     *
     * @param \Closure(string, bool, string): void $say
     */
    private function closing(DemoClient $client, \Closure $say, string $id): void
    {
        $now = self::row($client->ask('GET', "/api/comparisons/$id")['body']);
        $done = array_values(array_filter($now['runs'], static fn (array $r): bool => 'done' === $r['status']));
        $pull = null;
        foreach ([] === $done ? [] : self::row($client->ask('GET', "/api/runs/{$done[0]['id']}")['body'])['readings'] as $reading) {
            $pull = 'pull_hot' === $reading['measure'] && $reading['stands'] ? $reading : $pull;
        }
        $requests = array_fill(0, $this->writers, ['POST', "/api/comparisons/$id/close", ['version' => $now['version']]]);
        if (null !== $pull) {
            for ($i = 0; $i < $this->writers; ++$i) {
                $requests[] = [
                    'POST',
                    "/api/readings/{$pull['id']}/amendments",
                    ['value' => 90 + $i, 'unit' => 'N', 'atLeast' => false, 'reason' => 'written by all'],
                ];
            }
        }
        shuffle($requests);
        $answers = $client->together($requests, 2 * $this->writers);
        $judgement = self::row($client->ask('GET', "/api/comparisons/$id/judgement")['body']);
        $good = ($judgement['recorded']['runs'] ?? 0) === \count($done)
            && 1 === self::count($answers, 200)
            && 1 === self::count($answers, 201)
            && self::only($answers, [200, 201, 409]);
        $say('one comparison, closed by all while a reading is amended', $good, self::statuses($answers));
    }

    /** @param \Closure(string, bool, string): void $say */
    private function profiles(DemoClient $client, \Closure $say): void
    {
        $comparison = array_values(array_filter(
            $client->ask('GET', '/api/comparisons')['body'],
            static fn (mixed $c): bool => \is_array($c) && 'Filter cells in grey PLA, which plate?' === $c['title'],
        ))[0] ?? [];
        $setup = self::row($client->ask('GET', '/api/comparisons/'.self::row($comparison)['id'])['body'])['setups'][0]['id'];
        $wish = [
            'setupId' => $setup,
            'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0],
            'anyLot' => false,
            'anyPlate' => false,
            'reviewBy' => '2030-01-01',
        ];
        $first = self::row($client->ask('POST', '/api/profiles', ['title' => 'Writers, first'] + $wish)['body']);
        $series = (string) ($first['series'] ?? throw new \RuntimeException('The profile was refused: '.json_encode($first)));
        $sign = ['version' => 1, 'password' => SignIn::DEMO_PASSWORD, 'trial' => false, 'reason' => ''];
        // Only what is signed is revised.
        $client->ask('POST', "/api/profiles/{$first['id']}/sign", $sign);
        $ids = [];
        for ($i = 0; $i < $this->writers; ++$i) {
            $next = $client->ask('POST', '/api/profiles', ['title' => "Writers, revision $i", 'series' => $series] + $wish)['body'];
            $ids[] = (string) (self::row($next)['id'] ?? throw new \RuntimeException('The revision was refused: '.json_encode($next)));
        }
        $answers = $client->together(array_map(static fn (string $id): array => ['POST', "/api/profiles/$id/sign", $sign], $ids), $this->writers);
        $signed = array_filter(
            array_map(static fn (string $id): array => $client->ask('GET', "/api/profiles/$id")['body'], $ids),
            static fn (array $p): bool => $series === ($p['series'] ?? null) && 'validated' === $p['status'],
        );
        // Passwords are looked at one after the other, and who waits too long for that is asked to come again.
        $allowed = [200, 409, 429];
        $say('as many revisions of one series, signed at once', 1 === \count($signed) && self::only($answers, $allowed), self::statuses($answers));
        $profile = self::row(array_values($signed)[0] ?? []);
        $answers = $client->together(
            array_fill(
                0,
                $this->writers,
                ['POST', "/api/profiles/{$profile['id']}/withdraw", [
                    'version' => $profile['version'],
                    'password' => SignIn::DEMO_PASSWORD,
                    'reason' => 'written by all',
                ]],
            ),
            $this->writers,
        );
        $say('one profile, withdrawn by all', 1 === self::count($answers, 200) && self::only($answers, $allowed), self::statuses($answers));
    }

    private function draft(DemoClient $client, string $title): string
    {
        $lot = self::row(array_values(array_filter(
            $client->ask('GET', '/api/lots?find=L-101')['body'],
            static fn (mixed $l): bool => \is_array($l) && 'L-101' === $l['label'],
        ))[0] ?? []);
        $printer = self::row(array_values(array_filter(
            $client->ask('GET', '/api/printers')['body'],
            static fn (mixed $p): bool => \is_array($p) && 'North bay' === $p['name'],
        ))[0] ?? []);
        $sides = [];
        foreach ($client->ask('GET', '/api/plates')['body'] as $plate) {
            foreach (\is_array($plate) ? $plate['sides'] : [] as $side) {
                $sides[$side['label']] = $side['id'];
            }
        }
        $setup = static fn (string $label): array => ['plateSideId' => $sides[$label] ?? '', 'agentId' => null, 'bedFirstC' => 55, 'bedOtherC' => 55];
        $made = $client->ask('POST', '/api/comparisons', [
            'title' => $title.' '.bin2hex(random_bytes(3)),
            'lotId' => $lot['id'],
            'printerId' => $printer['id'],
            'roomC' => 20,
            'constants' => [
                'piece' => ['name' => 'Block', 'alongPullMm' => 20, 'acrossPullMm' => 6, 'pullHeightMm' => 8],
                'gcodeName' => 'w.gcode',
                'nozzleMm' => 0.4,
                'nozzleFirstC' => 215,
                'lineWidthMm' => 0.45,
                'gapMm' => 0.1,
                'feeler' => 'paper',
                'firstLayerSpeedMmS' => 20,
                'fan' => 'off',
                'holdDown' => 'magnets',
                'brim' => 'none',
            ],
            'limits' => ['hotPullAtLeastN' => 20, 'coldPullAtMostN' => 12, 'effortAtMost' => 2, 'failuresAllowed' => 0],
            'durations' => [
                'prepareMinutes' => 4,
                'heatAndSoakMinutes' => 8,
                'printMinutes' => 24,
                'coolMinutes' => 20,
                'inspectAndCleanMinutes' => 5,
                'plateChangeMinutes' => 6,
            ],
            'runsPerSetup' => 12,
            'hotPerSetup' => 6,
            'seed' => 1,
            'setups' => [$setup('P1 front'), $setup('P6 front')],
        ]);

        return (string) (self::row($made['body'])['id'] ?? throw new \RuntimeException('The draft was refused: '.json_encode($made['body'])));
    }

    /** @return array<string, mixed> */
    private static function row(mixed $row): array
    {
        /** @var array<string, mixed> $row */
        $row = \is_array($row) ? $row : [];

        return $row;
    }

    /** @param list<array{status: int, body: array<mixed>, milliseconds: float}> $answers */
    private static function count(array $answers, int $status): int
    {
        return \count(array_filter($answers, static fn (array $a): bool => $a['status'] === $status));
    }

    /**
     * @param list<array{status: int, body: array<mixed>, milliseconds: float}> $answers
     * @param list<int>                                                         $allowed
     */
    private static function only(array $answers, array $allowed): bool
    {
        return [] === array_diff(array_column($answers, 'status'), $allowed);
    }

    /** @param list<array{status: int, body: array<mixed>, milliseconds: float}> $answers */
    private static function statuses(array $answers): string
    {
        $counts = array_count_values(array_column($answers, 'status'));
        ksort($counts);

        return implode(', ', array_map(static fn (int $status, int $n): string => "$n × $status", array_keys($counts), $counts));
    }
}
