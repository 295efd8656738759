<?php

declare(strict_types=1);

namespace App\Device;

use Random\Engine\Secure;
use Random\Engine\Xoshiro256StarStar;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** A simulated thermometer on loopback, for the demo, for training and for tests; several plates may cool at once. */
#[AsCommand('sitzplatz:thermometer:stand-in', 'Plays a thermometer on a plate, on loopback')]
final class ThermometerStandInCommand extends ServingCommand
{
    private const SAMPLE_MILLISECONDS = 500;

    /** @var array<int, resource> by their number */
    private array $clients = [];
    /** @var array<int, array{SimulatedCooling, int, int}> what cools, since when, ns, and when it was said last, ms */
    private array $cooling = [];
    /** @var array<int, array{?float, float}> bed and room that were told */
    private array $told = [];

    public function __construct(private readonly int $thermometerPort, private readonly bool $demo)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('seed', null, InputOption::VALUE_REQUIRED, 'makes the samples repeatable');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (!$this->demo) {
            $output->writeln('There is no simulated thermometer outside of the demo.');

            return self::FAILURE;
        }
        $seed = $input->getOption('seed');
        $engine = is_numeric($seed) ? new Xoshiro256StarStar((int) $seed) : new Secure();
        $server = @stream_socket_server("tcp://127.0.0.1:{$this->thermometerPort}", $code, $message);
        if (false === $server) {
            $output->writeln(\sprintf('Port %d cannot be used: %s', $this->thermometerPort, $message));

            return self::FAILURE;
        }
        while (!$this->stopping) {
            $readable = [$server, ...$this->clients];
            $write = $except = [];
            if (@stream_select($readable, $write, $except, 0, 100_000) > 0) {
                foreach ($readable as $stream) {
                    $stream === $server ? $this->welcome($server) : $this->answer($stream, $engine);
                }
            }
            $this->play();
        }
        fclose($server);

        return self::SUCCESS;
    }

    /** @param resource $server */
    private function welcome($server): void
    {
        $client = @stream_socket_accept($server, 0);
        if (false !== $client) {
            fwrite($client, "THERMOMETER 1 unit=C\n");
            $this->clients[get_resource_id($client)] = $client;
        }
    }

    /** @param resource $client */
    private function answer($client, \Random\Engine $engine): void
    {
        $id = get_resource_id($client);
        $line = fgets($client, 200);
        if (false === $line) {
            fclose($client);
            unset($this->clients[$id], $this->cooling[$id], $this->told[$id]);

            return;
        }
        $line = trim($line);
        if (1 === preg_match('/^BENCH bed=(\S+) room=(-?\d+(?:\.\d+)?)$/', $line, $m)) {
            $this->told[$id] = [is_numeric($m[1]) ? (float) $m[1] : null, (float) $m[2]];
            fwrite($client, "OK\n");
        } elseif ('START' === $line) {
            [$bedC, $roomC] = $this->told[$id] ?? [null, 20.0];
            $this->cooling[$id] = [new SimulatedCooling($bedC, $roomC, $engine), (int) hrtime(true), -self::SAMPLE_MILLISECONDS];
            fwrite($client, "OK\n");
        } else {
            fwrite($client, "ERROR\n");
        }
    }

    private function play(): void
    {
        foreach ($this->cooling as $id => [$plate, $began, $last]) {
            $now = intdiv((int) hrtime(true) - $began, 1_000_000);
            if ($now - $last >= self::SAMPLE_MILLISECONDS) {
                @fwrite($this->clients[$id], \sprintf("T %d %.2f\n", $now, $plate->celsius($now)));
                $this->cooling[$id][2] = $now;
            }
        }
    }
}
