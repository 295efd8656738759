<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Extension;

use Sitzplatz\Shape\Piece\PieceDesign;
use Sitzplatz\Shape\Piece\PieceInput;
use Sitzplatz\Shape\Piece\Prism;
use Sitzplatz\Words\OwnText;

/** A test piece that somebody adds. */
final readonly class Cube implements PieceDesign
{
    public function key(): string
    {
        return 'cube';
    }

    public function words(): OwnText
    {
        return new OwnText('Cube');
    }

    public function purpose(): OwnText
    {
        return new OwnText('To look at.');
    }

    public function inputs(): array
    {
        return [new PieceInput('side', 10, 1, 100, words: new OwnText('Side'))];
    }

    public function solids(array $values, ?int $number): array
    {
        return [Prism::standing(Prism::rectangle(0, 0, $values['side'], $values['side']), 0, $values['side'])];
    }
}
