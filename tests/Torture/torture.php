<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

require \dirname(__DIR__, 2).'/vendor/autoload.php';

/** @return never */
function complain(string $what): void
{
    fwrite(\STDERR, "Sitzplatz: $what\n");
    exit(1);
}

$parts = [];
foreach ([new KillPart(), new DiskPart(), new WritersPart(), new FuzzPart(), new RolesPart(), new BackupPart(), new MigrationPart(), new CrowdPart()] as $part) {
    $parts[$part->name()] = $part;
}
$sizes = ['rounds' => 30, 'seconds' => 20, 'inputs' => 100_000, 'seed' => 1];
$short = ['rounds' => 4, 'seconds' => 4, 'inputs' => 400, 'seed' => (int) date('z')];
$chosen = $given = [];
$isShort = false;
for ($i = 1; $i < $argc; ++$i) {
    $word = (string) $argv[$i];
    if ('--short' === $word) {
        $isShort = true;
    } elseif (str_starts_with($word, '--') && isset($sizes[substr($word, 2)]) && is_numeric($argv[$i + 1] ?? null)) {
        $given[substr($word, 2)] = (int) $argv[++$i];
    } elseif (isset($parts[$word])) {
        $chosen[$word] = $parts[$word];
    } else {
        complain("bin/torture knows no $word: parts are ".implode(', ', array_keys($parts)).'; --rounds, --seconds, --inputs and --seed with a number; --short.');
    }
}
$sizes = $given + ($isShort ? $short : $sizes);
// Tables cut off take long; so many of the kills.
$sizes['cuts'] = max(2, intdiv($sizes['rounds'], 3));
mt_srand($sizes['seed']);
$rig = new Rig((string) getenv('SITZPLATZ_ROOT'), (string) getenv('SITZPLATZ_TORTURE_VAR'), (int) getenv('SITZPLATZ_TORTURE_PORT'), $sizes, $isShort);
$broken = 0;
printf("Seed %d.\n", $sizes['seed']);
foreach ([] === $chosen ? $parts : $chosen as $name => $part) {
    $began = microtime(true);
    try {
        $outcomes = $part->run($rig);
    } catch (\RuntimeException $e) {
        $outcomes = [new Outcome('the part itself', $e->getMessage(), 'goes through', false)];
    }
    foreach ($outcomes as $i => $each) {
        printf("%-11s %-52s %-44s %-18s %s\n", 0 === $i ? $name : '', $each->what, $each->found, $each->promised, null === $each->kept ? '' : ($each->kept ? 'kept' : 'BROKEN'));
        $broken += false === $each->kept ? 1 : 0;
    }
    printf("%-11s %.0f s\n", '', microtime(true) - $began);
}
echo 0 === $broken ? "All promises kept.\n" : "$broken promises broken.\n";
exit(min(1, $broken));
