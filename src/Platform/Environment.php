<?php

declare(strict_types=1);

namespace App\Platform;

/** Where the data folder is, and the settings that the start command wrote there. */
final class Environment
{
    public static function dataDirectory(): string
    {
        $given = $_SERVER['SITZPLATZ_VAR'] ?? getenv('SITZPLATZ_VAR');

        $folder = \is_string($given) && '' !== $given ? rtrim($given, '/') : \dirname(__DIR__, 2).'/var';
        // Where the servers' users cannot enter the folder, the start command left the place that stands in for it.
        $elsewhere = @file_get_contents($folder.'/home');

        return false === $elsewhere ? $folder : trim($elsewhere);
    }

    /** Reads KEY=VALUE lines of app.env in the data folder; what is set already wins. */
    public static function load(): void
    {
        // A cookie does not know ports: two copies side by side have each its own.
        $_SERVER['SITZPLATZ_COOKIE'] = $_ENV['SITZPLATZ_COOKIE'] = 'sitzplatz_'.substr(hash('sha256', self::dataDirectory()), 0, 8);
        $file = self::dataDirectory().'/app.env';
        if (!is_readable($file)) {
            return;
        }
        foreach (file($file, \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            [$name, $value] = explode('=', $line, 2) + [1 => ''];
            if (!isset($_SERVER[$name]) && false === getenv($name)) {
                $_SERVER[$name] = $_ENV[$name] = $value;
                putenv($name.'='.$value);
            }
        }
    }

    /**
     * Whose cache and log it is: the servers have their own, and whoever else runs a command has another. What the web
     * server's user can write is never run by somebody who may do more.
     */
    public static function whose(): string
    {
        return 0 === posix_geteuid() ? '-by-root' : '';
    }

    public static function kernelEnvironment(): string
    {
        $given = $_SERVER['APP_ENV'] ?? 'prod';

        return \is_string($given) ? $given : 'prod';
    }
}
