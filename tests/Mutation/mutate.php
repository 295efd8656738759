<?php

declare(strict_types=1);

/*
 * Makes single small changes to the core, one at a time, in a copy, and names those that the Core suite does not notice.
 *
 *   php tests/Mutation/mutate.php [--count=100] [--seed=1] [--jobs=2] [FILE …]
 *
 * Without files it draws from all of core/. Not part of bin/test: a hundred changes take some minutes.
 */

use Sitzplatz\Tests\Mutation\Mutations;

require __DIR__.'/../../vendor/autoload.php';

const LONGEST_SECONDS = 240;
/** Slow, or of other things than sums. */
const FIGURES = 'FiguresTest';
const LEFT_OUT = '(Simulation|Dependency|NoProse)Test';

$root = dirname(__DIR__, 2);
$options = ['count' => 100, 'seed' => 1, 'jobs' => 2];
$files = [];
foreach (array_slice($argv, 1) as $argument) {
    if (1 === preg_match('/^--(count|seed|jobs)=(\d+)$/', $argument, $match)) {
        $options[$match[1]] = (int) $match[2];
    } else {
        $files[] = $argument;
    }
}
if ([] === $files) {
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("$root/core", FilesystemIterator::SKIP_DOTS)) as $file) {
        $files[] = substr((string) $file, strlen($root) + 1);
    }
    sort($files);
}
$all = [];
foreach ($files as $file) {
    foreach (Mutations::of((string) file_get_contents("$root/$file")) as $mutation) {
        $all[] = ['file' => $file] + $mutation;
    }
}
mt_srand($options['seed']);
shuffle($all);
$waiting = array_slice($all, 0, $options['count']);
$total = count($waiting);

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
$idle = array_map($copy, range(1, $options['jobs']));
// A suite that fails by itself would notice everything.
exec(sprintf('cd %s && php vendor/bin/phpunit --no-progress --exclude-filter "%s" tests/Core', escapeshellarg($idle[0]), LEFT_OUT), $output, $failed);
if (0 !== $failed) {
    fwrite(\STDERR, implode("\n", array_slice($output, -20))."\n");
    exit(1);
}
$running = $survivors = [];
$noticed = $done = 0;
while ([] !== $waiting || [] !== $running) {
    while ([] !== $waiting && [] !== $idle) {
        $mutation = array_shift($waiting);
        $place = array_shift($idle);
        file_put_contents("$place/{$mutation['file']}", $mutation['source']);
        // What is quick and likeliest to notice comes first: the held figures of its room, all tests of its room, all held figures.
        $room = explode('/', $mutation['file'])[1] ?? '';
        $command = 'true';
        foreach ([["tests/Core/$room", FIGURES], ["tests/Core/$room", null], ['tests/Core', FIGURES], ['tests/Core', null]] as [$suite, $only]) {
            if (is_dir("$root/$suite") && (null === $only || [] !== glob("$root/$suite/{,*/}$only.php", \GLOB_BRACE))) {
                $which = null === $only ? "--exclude-filter '".LEFT_OUT."'" : "--filter $only";
                $command .= " && php vendor/bin/phpunit --no-progress --stop-on-defect $which $suite";
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
        ++$done;
        copy("$root/{$mutation['file']}", "$place/{$mutation['file']}");
        if (0 === $status['exitcode']) {
            $survivors[] = $mutation;
            printf("%s:%d  %s → %s\n", $mutation['file'], $mutation['line'], $mutation['was'], $mutation['is']);
        } else {
            ++$noticed;
        }
        unset($running[$i]);
        $idle[] = $place;
    }
    usleep(50_000);
}
foreach ($idle as $place) {
    exec('rm -rf '.escapeshellarg($place));
}
printf("%d of %d changes noticed, %.1f %%\n", $noticed, $total, $total > 0 ? 100 * $noticed / $total : 100);
