<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Phrase;

final readonly class CalculatorAnswer
{
    /**
     * @param list<Phrase> $lines    the answer first
     * @param list<Phrase> $cautions
     */
    public function __construct(public array $lines, public array $cautions, public Phrase $source)
    {
    }
}
