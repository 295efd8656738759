<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Units\Figure;

/**
 * What to do at each step of a run, in sentences, with timers and the cautions of that step. The sentences are common
 * practice; cautions inform, local codes and data sheets come first.
 */
final readonly class RunSheet
{
    /**
     * @param list<string> $surfaceCautions
     */
    public function __construct(
        private string $plate,
        private string $surface,
        private string $clean,
        private ?string $agent,
        private ?string $putOn,
        private ?string $agentHazard,
        private ?float $bedFirstC,
        private ?float $nozzleC,
        private string $gcodeName,
        private ?float $releaseC,
        private float $soakMinutes,
        private bool $fumes,
        private bool $plateChange,
        private array $surfaceCautions,
    ) {
    }

    /**
     * @return array{step: string, title: string, lines: list<string>, cautions: list<string>, timerSeconds: ?int}
     */
    public function at(RunStep $step): array
    {
        [$title, $lines, $cautions, $timer] = match ($step) {
            RunStep::Prepare => [
                'Prepare the plate',
                [
                    $this->plateChange
                        ? \sprintf('Put plate %s on, %s up. Hold it by the tabs.', $this->plate, $this->surface)
                        : \sprintf('Plate %s stays on, %s up.', $this->plate, $this->surface),
                    $this->clean,
                    null === $this->agent
                        ? 'No agent: the side stays bare. Nothing may be left from the test before.'
                        : \sprintf('Put on %s. %s', $this->agent, $this->putOn ?? ''),
                    'Set the first-layer gap with the same feeler as always.',
                ],
                null === $this->agentHazard ? [] : [$this->agentHazard],
                null,
            ],
            RunStep::HeatAndSoak => [
                'Heat and soak',
                [
                    null === $this->bedFirstC
                        ? 'The bed stays unheated: its temperature is the room\'s.'
                        : \sprintf('Set the bed to %s °C and wait until the display shows it.', Figure::short($this->bedFirstC)),
                    'Then let it soak: the surface lags behind the display.',
                ],
                ['The bed is hot enough to burn. Keep hands and solvents away from it.'],
                (int) round(60 * $this->soakMinutes),
            ],
            RunStep::Print => [
                'Start the print',
                [
                    \sprintf('Start %s%s.', $this->gcodeName, null === $this->nozzleC ? '' : \sprintf(' with the first-layer nozzle at %s °C', Figure::short($this->nozzleC))),
                    'The same file for every run: nothing else may differ between setups.',
                ],
                ['Do not reach under a moving nozzle.', ...($this->fumes ? ['This material gives off fumes: ventilate or filter.'] : [])],
                null,
            ],
            RunStep::FirstLayer => [
                'Watch the first layer, then the corners',
                [
                    'Is the first layer even, without gaps and raised edges?',
                    'If the gap was wrong, stop and void the run: that is no fault of the surface.',
                    'Lift normally shows within the first hour. When the print ends, say whether the part held.',
                ],
                [],
                null,
            ],
            RunStep::HotPull => [
                'Hot pull',
                [
                    'Keep the bed at print temperature.',
                    'Hook the gauge into the test piece and pull sideways, slowly and level, until it lets go.',
                    'Say what let go: the part from the plate, or the part itself.',
                ],
                ['The plate is hot: hold it with a glove.', 'Keep your face away from the line of the pull: the part flies when it lets go.'],
                null,
            ],
            RunStep::Cool => [
                'Let it cool',
                [
                    'Switch the bed off. Wait: most surfaces let go by themselves, often with a crack.',
                    null === $this->releaseC
                        ? 'Wait until the bed is near room temperature.'
                        : \sprintf('Usually it lets go below %s °C.', Figure::short($this->releaseC)),
                    'If it came loose on its own, write down the bed temperature at which it did.',
                ],
                ['Still hot: do not pull now. A part pulled hot can take a piece of the plate with it.'],
                null,
            ],
            RunStep::ColdPull => [
                'Cold pull',
                [
                    'Hook the gauge in and pull sideways, slowly and level, until it lets go.',
                    'A part that lies loose reads 0 N: type it in.',
                    'If it will not come, flex the plate or use a scraper, and say so below.',
                ],
                ['Scrapers cut people: push away from the hand that holds the plate. Flexing is safer.', ...$this->surfaceCautions],
                null,
            ],
            RunStep::Inspect => [
                'Look at part and plate',
                [
                    'How hard was it to take off? At what bed temperature?',
                    'Measure the lift at the ends. Is the plate marked, torn or chipped?',
                ],
                [],
                null,
            ],
            RunStep::Clean => [
                'Clean for the next run',
                [
                    $this->clean,
                    null === $this->agent ? 'Handle the plate by its tabs: fingers touch edges, so corners fail first.' : 'Renew the agent for the next run in the same way.',
                ],
                [],
                null,
            ],
        };

        return ['step' => $step->value, 'title' => $title, 'lines' => $lines, 'cautions' => $cautions, 'timerSeconds' => $timer];
    }
}
