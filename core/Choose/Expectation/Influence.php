<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Words\Sentence;

/** What of a job, printer or plate moves the grade of practice, and by how much: steps on log-odds, below nought for the worse. */
final readonly class Influence
{
    public function __construct(public string $id, public float $onHold, public float $onRelease, public Sentence $words)
    {
    }
}
