<?php

declare(strict_types=1);

namespace App\Device;

use Random\Engine\Secure;
use Random\Engine\Xoshiro256StarStar;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Yaml\Yaml;

/** A simulated force gauge on loopback, for the demo, for training and for tests. */
#[AsCommand('sitzplatz:gauge:stand-in', 'Plays a force gauge on loopback')]
final class GaugeStandInCommand extends ServingCommand
{
    public function __construct(private readonly string $projectDir, private readonly int $gaugePort, private readonly bool $demo)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('seed', null, InputOption::VALUE_REQUIRED, 'makes the pulls repeatable');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (!$this->demo) {
            $output->writeln('There is no simulated gauge outside of the demo.');

            return self::FAILURE;
        }
        /** @var array<string, array{hot: array{float, float}, cold: array{float, float}}> $truths */
        $truths = Yaml::parseFile($this->projectDir.'/demo/bench.yaml');
        $seed = $input->getOption('seed');
        $bench = new SimulatedBench($truths, is_numeric($seed) ? new Xoshiro256StarStar((int) $seed) : new Secure());
        $server = @stream_socket_server("tcp://127.0.0.1:{$this->gaugePort}", $code, $message);
        if (false === $server) {
            $output->writeln(\sprintf('Port %d cannot be used: %s', $this->gaugePort, $message));

            return self::FAILURE;
        }
        while (!$this->stopping) {
            $client = @stream_socket_accept($server, 0.5);
            if (false !== $client) {
                $this->converse($client, $bench);
                fclose($client);
            }
        }
        fclose($server);

        return self::SUCCESS;
    }

    /** @param resource $client */
    private function converse($client, SimulatedBench $simulated): void
    {
        stream_set_timeout($client, 5);
        fwrite($client, \sprintf("GAUGE 1 range=%.1f unit=N\n", SimulatedBench::RANGE_N));
        $bench = new Bench('', '', null, 'hot', null);
        while (!$this->stopping && false !== ($line = fgets($client, 200))) {
            $line = trim($line);
            if (1 === preg_match('/^BENCH material=(\S+) surface=(\S+) agent=(\S+) pull=(hot|cold) bed=(\S+)$/', $line, $m)) {
                $bench = new Bench($m[1], $m[2], '-' === $m[3] ? null : $m[3], $m[4], is_numeric($m[5]) ? (float) $m[5] : null);
                fwrite($client, "OK\n");
            } elseif ('ZERO' === $line) {
                fwrite($client, "OK\n");
            } elseif ('START' === $line) {
                fwrite($client, "OK\n");
                $this->play($client, $simulated, $bench);
            } else {
                fwrite($client, "ERROR\n");
            }
        }
    }

    /** @param resource $client */
    private function play($client, SimulatedBench $simulated, Bench $bench): void
    {
        $began = hrtime(true);
        foreach ($simulated->pull($bench) as $sample) {
            $wait = $sample->milliseconds * 1_000_000 - (hrtime(true) - $began);
            if ($wait > 0) {
                usleep((int) ($wait / 1000));
            }
            if (false === @fwrite($client, \sprintf("F %d %.2f\n", $sample->milliseconds, $sample->forceN))) {
                return;
            }
        }
        fwrite($client, "END\n");
    }
}
