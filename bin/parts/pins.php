<?php

declare(strict_types=1);

/*
 * The exact version of every PHP package, and what its files are: Composer writes no lock file here, as one would carry addresses.
 *   pins.php with VENDOR PINS      what Composer is asked for, a word each
 *   pins.php check VENDOR PINS     whether all that is installed is what was pinned, and nothing else
 *   pins.php write VENDOR PINS     pins what is installed; for whoever changes composer.json, after looking at what changed
 */

/** @return array<string, string> by name, the version that is installed */
function installed(string $vendor): array
{
    $data = json_decode((string) file_get_contents("$vendor/composer/installed.json"), true);
    $versions = [];
    foreach (is_array($data) ? $data['packages'] ?? [] : [] as $package) {
        $versions[$package['name']] = $package['version'];
    }
    ksort($versions);

    return $versions;
}

/** A digest of all files of a package: their names and what is in them, whatever their order, times and modes. */
function digest(string $folder): string
{
    $lines = [];
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
    foreach ($files as $file) {
        $path = substr($file->getPathname(), strlen($folder) + 1);
        $lines[] = $path."\0".($file->isLink() ? 'to '.readlink($file->getPathname()) : hash_file('sha256', $file->getPathname()));
    }
    sort($lines, SORT_STRING);

    return hash('sha256', implode("\n", $lines));
}

/** @return array<string, array{string, string}> by name, version and digest */
function pinned(string $pins): array
{
    $pinned = [];
    foreach (file($pins, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
        if (!str_starts_with($line, '#')) {
            [$name, $version, $digest] = explode(' ', $line) + [1 => '', 2 => ''];
            $pinned[$name] = [$version, $digest];
        }
    }

    return $pinned;
}

[, $do, $vendor, $pins] = $argv + [1 => '', 2 => '', 3 => ''];
switch ($do) {
    case 'with':
        foreach (pinned($pins) as $name => [$version]) {
            echo "--with=$name:$version\n";
        }
        exit(0);
    case 'write':
        $text = "# Every PHP package, its version, and a digest of its files. Written by bin/parts/pins.php.\n";
        foreach (installed($vendor) as $name => $version) {
            $text .= "$name $version ".digest("$vendor/$name")."\n";
        }
        file_put_contents($pins, $text);
        exit(0);
    case 'check':
        $pinned = pinned($pins);
        $wrong = [];
        foreach (installed($vendor) as $name => $version) {
            [$wanted, $digest] = $pinned[$name] ?? ['', ''];
            $wrong[] = match (true) {
                !isset($pinned[$name]) => "$name is not pinned",
                $version !== $wanted => "$name is $version, not $wanted",
                !is_dir("$vendor/$name") => "$name is not there",
                digest("$vendor/$name") !== $digest => "$name $version has other files than were pinned",
                default => null,
            };
            unset($pinned[$name]);
        }
        $wrong = [...array_filter($wrong), ...array_map(static fn (string $name): string => "$name is missing", array_keys($pinned))];
        echo implode("\n", $wrong), [] === $wrong ? '' : "\n";
        exit([] === $wrong ? 0 : 1);
    default:
        fwrite(STDERR, "Say with, check or write, the vendor folder and the file of the pins.\n");
        exit(2);
}
