<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** The tables are made from nothing while whoever makes them is killed again and again: in the end they are as if nothing had happened. */
final class MigrationPart implements Part
{
    private const WHOLE = 'torture_whole';
    private const CUT = 'torture_cut';

    public function name(): string
    {
        return 'migrations';
    }

    public function run(Rig $rig): array
    {
        $user = posix_getpwuid(posix_geteuid())['name'] ?? '';
        foreach ([self::WHOLE, self::CUT] as $name) {
            $rig->sql("DROP DATABASE IF EXISTS $name; CREATE DATABASE $name CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; GRANT ALL ON $name.* TO '$user'@'localhost'");
        }
        $migrate = static fn (string $name): array => [
            'exec php '.escapeshellarg("$rig->root/bin/console").' doctrine:migrations:migrate --no-interaction --quiet',
            ['SITZPLATZ_DATABASE_URL' => "mysql://$user@localhost/$name?unix_socket={$rig->run()}/db/db.sock", 'SITZPLATZ_VAR' => $rig->data, 'PATH' => (string) getenv('PATH'), 'APP_ENV' => 'prod'],
        ];
        $began = microtime(true);
        $this->go(...$migrate(self::WHOLE))();
        $takes = microtime(true) - $began;
        $cuts = 0;
        for ($round = 0; $round < $rig->sizes['cuts']; ++$round) {
            $end = $this->go(...$migrate(self::CUT));
            // Past the beginning of the command, and often enough in the middle of a step.
            usleep((int) (1e6 * ($takes * (0.15 + 0.5 * mt_rand() / mt_getrandmax()))));
            $cuts += $end(true) ? 1 : 0;
        }
        $last = $this->go(...$migrate(self::CUT))();
        $differ = $rig->sql(\sprintf(
            "SELECT COUNT(*) FROM (SELECT table_name, column_name, column_type, is_nullable, column_default, column_key, generation_expression, COUNT(*) AS n
             FROM information_schema.columns WHERE table_schema IN ('%s', '%s') GROUP BY 1, 2, 3, 4, 5, 6, 7 HAVING n <> 2) AS x",
            self::WHOLE,
            self::CUT,
        ));
        $keys = $rig->sql(\sprintf(
            "SELECT COUNT(*) FROM (SELECT table_name, index_name, seq_in_index, column_name, non_unique, COUNT(*) AS n
             FROM information_schema.statistics WHERE table_schema IN ('%s', '%s') GROUP BY 1, 2, 3, 4, 5 HAVING n <> 2) AS x",
            self::WHOLE,
            self::CUT,
        ));
        $columns = $rig->sql("SELECT COUNT(*) FROM information_schema.columns WHERE table_schema = '".self::CUT."'");
        $rig->sql('DROP DATABASE '.self::WHOLE.'; DROP DATABASE '.self::CUT);

        return [
            new Outcome('migrations cut off', (string) $cuts, '', null),
            new Outcome('the last one goes through', $last ? 'yes' : 'no', 'yes', $last),
            new Outcome('columns and keys that differ from tables made in one go', "$differ and $keys of $columns columns", 'none', '0' === $differ && '0' === $keys && (int) $columns > 300),
        ];
    }

    /**
     * @param array<string, string> $environment
     *
     * @return \Closure(bool=): bool ends it, by force or by itself, and says whether it did so by force or went well
     */
    private function go(string $command, array $environment): \Closure
    {
        $process = proc_open($command, [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes, null, $environment);
        \is_resource($process) || throw new \RuntimeException('It does not start.');

        return static function (bool $byForce = false) use ($process): bool {
            if ($byForce) {
                $killed = proc_get_status($process)['running'];
                proc_terminate($process, \SIGKILL);
                proc_close($process);

                return $killed;
            }

            return 0 === proc_close($process);
        };
    }
}
