<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Contract\Contract;
use App\Platform\JsonFileCommand;
use App\Platform\Words\Wording;
use Symfony\Component\Console\Attribute\AsCommand;

/** The sums on heat, as the API has them. */
#[AsCommand('sitzplatz:heat', 'Reckons set-point, soak, cool-down and heater from a request in JSON')]
final class HeatCommand extends JsonFileCommand
{
    public function __construct(private readonly Contract $contract, private readonly HeatSums $sums, Wording $wording)
    {
        parent::__construct($wording);
    }

    protected function answer(string $path): array
    {
        return $this->sums->answer($this->contract->read((string) file_get_contents($path), 'reckonHeat'));
    }
}
