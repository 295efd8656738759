<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** Any process is killed at any moment while people write: what was acknowledged is there, once, and the app is soon back. */
final class KillPart implements Part
{
    private const WRITERS = 3;
    private const VITAL = ['database', 'php', 'web'];
    private const BACK_SECONDS = 5.0;
    private const GIVEN_UP_SECONDS = 60.0;

    public function name(): string
    {
        return 'kill';
    }

    public function run(Rig $rig): array
    {
        $stop = tempnam(sys_get_temp_dir(), 'stop');
        $before = (int) $rig->sql('SELECT COUNT(*) FROM lot');
        $pid = pcntl_fork();
        if (0 === $pid) {
            $counted = $rig->together(self::WRITERS, fn (int $i): array => $this->write($rig, $i, (string) $stop));
            file_put_contents($stop.'.sum', json_encode($counted));
            posix_kill(posix_getpid(), \SIGKILL);
        }
        $slowest = 0.0;
        $late = 0;
        $killed = [];
        for ($round = 0; $round < $rig->sizes['rounds']; ++$round) {
            usleep(mt_rand(200_000, 900_000));
            $processes = $rig->processes();
            // The three that everybody depends on come round first, then any.
            $place = self::VITAL[$round] ?? array_rand($processes);
            $victim = $processes[$place][array_rand($processes[$place])];
            posix_kill($victim, \SIGKILL);
            $killed[$place] = ($killed[$place] ?? 0) + 1;
            $since = $this->untilBack($rig, $place, $victim);
            $slowest = max($slowest, $since);
            $late += $since > self::BACK_SECONDS ? 1 : 0;
        }
        unlink((string) $stop);
        pcntl_waitpid($pid, $status);
        $counted = json_decode((string) file_get_contents($stop.'.sum'), true);
        unlink($stop.'.sum');
        $there = (int) $rig->sql("SELECT COUNT(*) FROM lot WHERE name = 'torture'");
        $all = (int) $rig->sql('SELECT COUNT(*) FROM lot') - $before;
        ksort($killed);
        $said = implode(', ', array_map(static fn (string $each, int $times): string => "$each $times", array_keys($killed), $killed));

        return [
            new Outcome('processes killed', array_sum($killed)." ($said)", '', null),
            new Outcome('slowest return', \sprintf('%.1f s', $slowest), '5 s at most', 0 === $late),
            new Outcome('writes acknowledged', "{$counted['acknowledged']}, {$counted['again']} of them sent again", 'some', $counted['acknowledged'] > 0),
            Outcome::none('of these lost', $counted['acknowledged'] - $there),
            Outcome::none('doubled or unasked', abs($all - $there)),
            Outcome::none('answers that were no problem in words', $counted['wordless']),
            Outcome::none('answers that call it our fault (500)', $counted['fault']),
        ];
    }

    /** @return array<string, int> */
    private function write(Rig $rig, int $who, string $stop): array
    {
        $client = new Client($rig->base());
        // What is killed first may be what lets people in.
        while (200 !== $client->signIn('technician')) {
            usleep(100_000);
        }
        $counted = ['acknowledged' => 0, 'again' => 0, 'wordless' => 0, 'fault' => 0];
        while (Rig::isThere($stop)) {
            $id = Rig::uuid();
            $body = ['id' => $id, 'label' => "T$who-".substr($id, -12), 'materialId' => 'pla', 'name' => 'torture', 'driedOn' => null, 'note' => ''];
            $tries = 0;
            do {
                [$status, $answer] = $client->send('POST', '/api/lots', $body, seconds: 8);
                if (401 === $status || 403 === $status) {
                    $client->signIn('technician');
                }
                // Nobody has to understand what a proxy says: every answer is in words.
                $counted['wordless'] += $status >= 400 && !\is_array(json_decode($answer, true)) ? 1 : 0;
                $counted['fault'] += 500 === $status ? 1 : 0;
                $done = 200 === $status || 201 === $status;
                $done || usleep(100_000);
            } while (!$done && ++$tries < 600);
            $counted['acknowledged'] += $done ? 1 : 0;
            $counted['again'] += $tries > 0 ? 1 : 0;
        }

        return $counted;
    }

    /** @return float seconds until the place is taken again, and the app ready */
    private function untilBack(Rig $rig, string $place, int $victim): float
    {
        $began = microtime(true);
        $client = new Client($rig->base());
        do {
            usleep(20_000);
            $since = microtime(true) - $began;
            $taken = array_diff($rig->processes()[$place] ?? [], [$victim]);
            [$status] = [] === $taken ? [0] : $client->send('GET', '/api/health', seconds: 2);
        } while (200 !== $status && $since < self::GIVEN_UP_SECONDS);

        return $since;
    }
}
