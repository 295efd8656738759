<?php

declare(strict_types=1);

namespace App\Device;

use Random\Engine;
use Random\Randomizer;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** A plate that cools as Newton has it, but faster, so that nobody has to wait for it in the demo. The figures are invented. */
#[Exclude]
final readonly class SimulatedCooling
{
    /** Of a bed with its plate, s, and how much faster it goes here. */
    private const TIME_CONSTANT_S = 600.0;
    private const FASTER = 20.0;
    /** Either way, K. */
    private const NOISE_K = 0.1;
    /** Of a plate that nobody has said anything of. */
    private const WARM_C = 60.0;

    private Randomizer $random;

    public function __construct(private ?float $bedC, private float $roomC, Engine $engine)
    {
        $this->random = new Randomizer($engine);
    }

    public function celsius(int $milliseconds): float
    {
        $fromC = $this->bedC ?? self::WARM_C;
        $noise = self::NOISE_K * ($this->random->getInt(-1000, 1000) / 1000);

        return round($this->roomC + ($fromC - $this->roomC) * exp(-$milliseconds / 1000 * self::FASTER / self::TIME_CONSTANT_S) + $noise, 2);
    }
}
