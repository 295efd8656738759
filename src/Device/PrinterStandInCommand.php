<?php

declare(strict_types=1);

namespace App\Device;

use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Yaml\Yaml;

/** A simulated printer, which reports its prints to the app over HTTP as any printer may; for the demo. */
#[AsCommand('sitzplatz:printer:stand-in', 'Plays a printer that reports its prints')]
final class PrinterStandInCommand extends ServingCommand
{
    public function __construct(
        private readonly string $projectDir,
        private readonly int $appPort,
        private readonly bool $demo,
        private readonly ClockInterface $clock,
        #[Autowire('%env(APP_SECRET)%')]
        private readonly string $appSecret,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (!$this->demo) {
            $output->writeln('There is no simulated printer outside of the demo.');

            return self::FAILURE;
        }
        /** @var array{prints: list<array{title: string, minutes: int, idle: int}>} $data */
        $data = Yaml::parseFile($this->projectDir.'/demo/printer.yaml');
        $began = $this->clock->now();
        foreach ((new SimulatedPrinter($data['prints']))->reports($began->format('Ymd-His')) as ['waitSeconds' => $wait, 'report' => $report]) {
            $due = $this->clock->now()->modify("+$wait seconds");
            while (!$this->stopping && $this->clock->now() < $due) {
                $this->clock->sleep(0.5);
            }
            if ($this->stopping) {
                break;
            }
            $output->writeln(\sprintf('%s %s: %s', $report['event'], $report['key'], $this->send($report)));
        }

        return self::SUCCESS;
    }

    /**
     * @param array<string, mixed> $report
     *
     * @return string what the app answers; one that is not there is none of a printer's concern
     */
    private function send(array $report): string
    {
        $answer = @file_get_contents("http://127.0.0.1:$this->appPort/api/machine/prints", false, stream_context_create(['http' => [
            'method' => 'POST',
            'header' => "Content-Type: application/json\r\nAuthorization: Bearer ".SimulatedPrinter::token($this->appSecret),
            'content' => json_encode($report, \JSON_THROW_ON_ERROR),
            'timeout' => 10,
            'ignore_errors' => true,
        ]]));

        return false === $answer ? 'no answer' : $answer;
    }
}
