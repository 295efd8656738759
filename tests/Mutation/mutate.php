<?php

declare(strict_types=1);

/*
 * Makes single small changes to the core, one at a time, in a copy, and names those that the Core suite does not notice.
 *
 *   php tests/Mutation/mutate.php [--jobs=2] [Judge|Keep|Evidence|Test|core|FILE …]
 *
 * Of each room so many changes are drawn as stand here, always the same; without a room all of them in turn. Figures that are only held
 * as they are (FiguresTest) count for nothing. Changes that no input can show stand in equivalents.txt, each with the reason why.
 * Not part of bin/test: a hundred changes take some minutes.
 */

use Sitzplatz\Tests\Mutation\Mutations;

require __DIR__.'/../../vendor/autoload.php';

const LONGEST_SECONDS = 240;
/** Slow, of other things than sums, or held whatever they are. */
const LEFT_OUT = '(Simulation|Dependency|NoProse|Figures)Test';
const SEED = 33;
/** Changes drawn of a room, and the share of them that has to be noticed. */
const ROOMS = ['Judge' => [60, 0.9], 'Keep' => [40, 0.9], 'Evidence' => [20, 0.9], 'Test' => [60, 0.9], 'core' => [150, 0.85]];
/** Of those drawn, that no input can show. */
const MOST_EQUIVALENT = 0.05;

$root = dirname(__DIR__, 2);
$jobs = 2;
$asked = [];
foreach (array_slice($argv, 1) as $argument) {
    if (1 === preg_match('/^--jobs=(\d+)$/', $argument, $match)) {
        $jobs = (int) $match[1];
    } else {
        $asked[] = $argument;
    }
}
$filesOf = static function (string $room) use ($root): array {
    $files = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("$root/core".('core' === $room ? '' : "/$room"), FilesystemIterator::SKIP_DOTS)) as $file) {
        $files[] = substr((string) $file, strlen($root) + 1);
    }
    sort($files);

    return $files;
};
$equivalent = [];
foreach (file(__DIR__.'/equivalents.txt', \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
    if (!str_starts_with($line, '#')) {
        [$file, $change, $code] = array_map(trim(...), explode(' | ', $line));
        $equivalent["$file | $change | $code"] = true;
    }
}
$lines = [];
$key = static function (array $mutation) use ($root, &$lines): string {
    $code = trim(($lines["$root/{$mutation['file']}"] ??= file("$root/{$mutation['file']}", \FILE_IGNORE_NEW_LINES) ?: [])[$mutation['line'] - 1] ?? '');

    return "{$mutation['file']} | {$mutation['was']} → {$mutation['is']} | $code";
};
$drawn = [];
foreach ([] === $asked ? array_keys(ROOMS) : (isset(ROOMS[$asked[0]]) ? $asked : ['']) as $room) {
    $of = [];
    foreach ('' === $room ? $asked : $filesOf($room) as $file) {
        foreach (Mutations::of((string) file_get_contents("$root/$file")) as $mutation) {
            $of[] = ['file' => $file, 'room' => $room] + $mutation;
        }
    }
    mt_srand(SEED);
    shuffle($of);
    array_push($drawn, ...array_slice($of, 0, ROOMS[$room][0] ?? count($of)));
}
// As they are now: whoever works on meanwhile does not change what is measured.
$original = [];
foreach ($drawn as $mutation) {
    $original[$mutation['file']] ??= (string) file_get_contents("$root/{$mutation['file']}");
}
$waiting = array_values(array_filter($drawn, static fn (array $each): bool => !isset($equivalent[$key($each)])));

/** A copy of what the Core suite needs. */
$copy = static function (int $job) use ($root): string {
    $to = sys_get_temp_dir()."/sitzplatz-mutations-$job";
    exec('rm -rf '.escapeshellarg($to));
    mkdir("$to/tests", 0o700, true);
    foreach (['core', 'catalogue', 'translations', 'docs', 'src', 'demo', 'composer.json', 'phpunit.xml', 'tests/Core', 'tests/bootstrap.php'] as $each) {
        exec(sprintf('cp -r %s %s', escapeshellarg("$root/$each"), escapeshellarg("$to/$each")));
    }
    exec(sprintf('cp -r %s %s', escapeshellarg("$root/vendor"), escapeshellarg("$to/vendor")));

    return $to;
};
$idle = array_map($copy, range(1, $jobs));
// A suite that fails by itself would notice everything.
exec(sprintf('cd %s && php vendor/bin/phpunit --no-progress --exclude-filter "%s" tests/Core', escapeshellarg($idle[0]), LEFT_OUT), $output, $failed);
if (0 !== $failed) {
    fwrite(\STDERR, implode("\n", array_slice($output, -20))."\n");
    exit(1);
}
$running = $survivors = [];
$noticed = $of = [];
while ([] !== $waiting || [] !== $running) {
    while ([] !== $waiting && [] !== $idle) {
        $mutation = array_shift($waiting);
        $place = array_shift($idle);
        file_put_contents("$place/{$mutation['file']}", $mutation['source']);
        // What is likeliest to notice comes first: all tests of its room.
        $room = explode('/', $mutation['file'])[1] ?? '';
        $command = 'true';
        foreach (["tests/Core/$room", 'tests/Core'] as $suite) {
            if (is_dir("$root/$suite")) {
                $command .= " && php vendor/bin/phpunit --no-progress --stop-on-defect --exclude-filter '".LEFT_OUT."' $suite";
            }
        }
        $process = proc_open(sprintf('cd %s && timeout %d sh -c %s', escapeshellarg($place), LONGEST_SECONDS, escapeshellarg($command)), [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes);
        assert(is_resource($process));
        $running[] = [$process, $place, $mutation];
    }
    foreach ($running as $i => [$process, $place, $mutation]) {
        $status = proc_get_status($process);
        if ($status['running']) {
            continue;
        }
        $of[$mutation['room']] = ($of[$mutation['room']] ?? 0) + 1;
        file_put_contents("$place/{$mutation['file']}", $original[$mutation['file']]);
        if (0 === $status['exitcode']) {
            $survivors[] = $mutation;
            printf("%s:%d  %s\n", $mutation['file'], $mutation['line'], $key($mutation));
        } else {
            $noticed[$mutation['room']] = ($noticed[$mutation['room']] ?? 0) + 1;
        }
        unset($running[$i]);
        $idle[] = $place;
    }
    usleep(50_000);
}
foreach ($idle as $place) {
    exec('rm -rf '.escapeshellarg($place));
}
$missed = false;
foreach ($of as $room => $total) {
    $share = ($noticed[$room] ?? 0) / $total;
    $same = count(array_filter($drawn, static fn (array $each): bool => $each['room'] === $room)) - $total;
    printf("%s: %d of %d changes noticed, %.1f %%; %d more that no input can show\n", '' === $room ? 'these files' : $room, $noticed[$room] ?? 0, $total, 100 * $share, $same);
    $missed = $missed || $share < (ROOMS[$room][1] ?? 0.0) || $same > MOST_EQUIVALENT * ($total + $same);
}
exit($missed ? 1 : 0);
