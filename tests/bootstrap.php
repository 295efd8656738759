<?php

declare(strict_types=1);

use App\Platform\Environment;

require dirname(__DIR__).'/vendor/autoload.php';

// Each worker has servers and databases of its own; bin/test has written down which.
$data = getenv('SITZPLATZ_TEST_DATA').'/'.(getenv('TEST_TOKEN') ?: '1');
$home = @file_get_contents($data.'/home');
foreach (@file((false === $home ? $data : trim($home)).'/test.env', \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
    [$name, $value] = explode('=', $line, 2);
    $_SERVER[$name] = $_ENV[$name] = $value;
    putenv($line);
}
Environment::load();
